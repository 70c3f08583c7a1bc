<script lang="ts">
  import { getPlan } from '../../../../lib/plan.svelte';

  type MonthAmount = { month: string; amount: number };

  interface Props {
    actual: MonthAmount[];
    /** What the way would have said of months that were. */
    said: MonthAmount[];
    next: MonthAmount[];
    words: string;
  }

  let { actual, said, next, words }: Props = $props();
  const plan = getPlan();
  const WIDTH = 900;
  const HEIGHT = 120;
  const ahead = $derived(next.slice(0, 12));
  const months = $derived([...actual, ...ahead].map((one) => one.month));
  const most = $derived(Math.max(1, ...[...actual, ...said, ...ahead].map((one) => one.amount)));

  function line(amounts: MonthAmount[]): string {
    return amounts
      .map((one, i) => {
        const x = (months.indexOf(one.month) / Math.max(1, months.length - 1)) * WIDTH;
        const y = HEIGHT - (one.amount / most) * (HEIGHT - 8);
        return `${i ? 'L' : 'M'}${x.toFixed(1)},${y.toFixed(1)}`;
      })
      .join('');
  }
</script>

<figure class="my-2">
  <svg
    viewBox="0 0 {WIDTH} {HEIGHT + 2}"
    class="h-[120px] w-full"
    preserveAspectRatio="none"
    role="img"
    aria-label="Actual months, and what {words} says of them and of the months to come"
  >
    <line x1="0" x2={WIDTH} y1={HEIGHT} y2={HEIGHT} stroke="#cfc8b5" />
    <path d={line(actual)} fill="none" stroke="#12303b" stroke-width="2" vector-effect="non-scaling-stroke" />
    <path
      d={line([...said, ...ahead])}
      fill="none"
      stroke="#2a8397"
      stroke-width="2"
      stroke-dasharray="5 4"
      vector-effect="non-scaling-stroke"
    />
  </svg>
  <figcaption class="hush">
    line: what was; dashes: {words}, month by month before it was known, then the next twelve; the top is {plan.money.short(
      most,
    )}
  </figcaption>
</figure>
