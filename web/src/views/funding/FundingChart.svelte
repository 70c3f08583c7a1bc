<script lang="ts">
  import { monthName, shortDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import { heights, type FundingView } from './funding';

  interface Props {
    view: FundingView;
  }

  let { view }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 226;
  const FOOT = 24;
  let width = $state(900);
  const count = $derived(view.periods.length);
  const cash = $derived(view.rows.find((row) => row.kind === 'closing')?.amounts ?? []);
  const top = $derived(Math.max(1, ...view.total.owed, ...view.total.most, ...cash, ...view.minimum) * 1.1);
  const slot = $derived(count ? (width - 70) / count : 0);
  const bar = $derived(Math.min(26, slot * 0.36));
  const owedHeights = $derived(heights(view.total.owed, top, HEIGHT - FOOT));
  const mostHeights = $derived(heights(view.total.most, top, HEIGHT - FOOT));
  const cashHeights = $derived(heights(cash, top, HEIGHT - FOOT));
  const minimumHeights = $derived(heights(view.minimum, top, HEIGHT - FOOT));

  function x(i: number): number {
    return 60 + i * slot;
  }

  function name(i: number): string {
    const period = view.periods[i]!;
    return period.from.endsWith('-01') ? `${monthName(period.from)} ${period.from.slice(2, 4)}` : shortDay(period.from);
  }

  const every = $derived(Math.max(1, Math.ceil(46 / Math.max(1, slot))));
</script>

<figure class="card !p-2" bind:clientWidth={width}>
  <svg
    width={width - 18}
    height={HEIGHT}
    role="img"
    aria-label="What is owed against limits, and closing cash, by period"
  >
    {#each view.periods as period, i (period.from)}
      {#if (mostHeights[i] ?? 0) > 0}
        <rect
          x={x(i)}
          y={HEIGHT - FOOT - (mostHeights[i] ?? 0)}
          width={bar}
          height={mostHeights[i]}
          fill="none"
          stroke="#7fbfc2"
          stroke-dasharray="3 3"
        />
      {/if}
      <rect x={x(i)} y={HEIGHT - FOOT - (owedHeights[i] ?? 0)} width={bar} height={owedHeights[i]} fill="#114a5c">
        <title>{name(i)}: owed {plan.money.sum(view.total.owed[i] ?? 0)}</title>
      </rect>
      <rect
        x={x(i) + bar + 2}
        y={HEIGHT - FOOT - (cashHeights[i] ?? 0)}
        width={bar}
        height={cashHeights[i]}
        fill="#7fbfc2"
      >
        <title>{name(i)}: closing cash {plan.money.sum(cash[i] ?? 0)}</title>
      </rect>
      <path
        d="M{x(i) - 2} {HEIGHT - FOOT - (minimumHeights[i] ?? 0)}h{slot}"
        stroke="#a9741c"
        stroke-width="1.5"
        fill="none"
      />
      {#if i % every === 0}
        <text x={x(i) + bar} y={HEIGHT - 8} text-anchor="middle" font-size="11" fill="#4c636b">{name(i)}</text>
      {/if}
    {/each}
    <path d="M56 {HEIGHT - FOOT}H{width - 24}" stroke="#4c636b" />
    <text x="52" y="16" text-anchor="end" font-size="11" fill="#4c636b">{plan.money.short(top)}</text>
    <text x="52" y={HEIGHT - FOOT} text-anchor="end" font-size="11" fill="#4c636b">0</text>
  </svg>
  <figcaption class="hush flex gap-4 px-2">
    <span><i class="inline-block h-[10px] w-[10px] bg-[#114a5c]"></i> owed on facilities and loans</span>
    <span
      ><i class="inline-block h-[10px] w-[10px] border border-dashed border-[#7fbfc2]"></i> as far as limits reach</span
    >
    <span><i class="inline-block h-[10px] w-[10px] bg-[#7fbfc2]"></i> closing cash</span>
    <span><i class="inline-block h-[2px] w-[14px] bg-[#a9741c] align-middle"></i> minimum cash</span>
  </figcaption>
</figure>
