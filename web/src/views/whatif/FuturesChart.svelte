<script lang="ts">
  import { addDays, daysBetween, longDay, monthName, shortDay, weekday, type Day } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import { TideScale } from '../../lib/tide/scale';
  import { dash, letter } from './whatif';

  interface Props {
    /** Closing cash by day of the window, of each future in its order; null where one says nothing. */
    futures: (number | null)[][];
    from: Day;
    to: Day;
  }

  let { futures, from, to }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 232;
  let width = $state(820);
  const tide = $derived(plan.view!.tide);
  const first = $derived(daysBetween(tide.firstDay, from));
  const days = $derived(daysBetween(from, to) + 1);
  const minimum = $derived(tide.minimum.slice(Math.max(0, first), first + days));
  /** Each future's days in a row that it knows, and where they begin. */
  const lines = $derived(
    futures.map((closing) => {
      const start = closing.findIndex((minor) => minor !== null);
      return { start: Math.max(0, start), known: closing.filter((minor) => minor !== null) };
    }),
  );
  const scale = $derived(
    new TideScale(
      days,
      lines.flatMap((line) => line.known),
      minimum,
      62,
      width - 44,
      10,
      HEIGHT - 24,
    ),
  );
  const marks = $derived(
    Array.from({ length: days }, (_, day) => ({ day, date: addDays(from, day) })).filter(({ date }) =>
      days <= 111 ? weekday(date) === 'Mon' : date.endsWith('-01'),
    ),
  );
  const shown = $derived(marks.filter((_, i) => i % Math.ceil(marks.length / 9) === 0));

  /** Letters that would lie on each other are moved apart, the highest first. */
  const letters = $derived.by(() => {
    const ends = lines
      .map((line, at) => ({ at, y: scale.y(line.known.at(-1) ?? 0) + 4 }))
      .sort((one, other) => one.y - other.y);
    for (let i = 1; i < ends.length; i++) ends[i]!.y = Math.max(ends[i]!.y, ends[i - 1]!.y + 12);
    return ends;
  });
</script>

<figure class="card !p-2" bind:clientWidth={width}>
  <figcaption class="hush px-2">Closing cash by day, {longDay(from)} to {longDay(to)}, of each future</figcaption>
  <svg width={width - 18} height={HEIGHT} role="img" aria-label="Closing cash of the base and of each scenario">
    <path d={scale.path(minimum, 0)} fill="none" stroke="#a9741c" />
    <text x="66" y={scale.y(minimum[0] ?? 0) - 4} font-size="11" fill="#8a5d12">minimum cash</text>
    {#each [scale.most / 1.08, 0] as level (level)}
      <text x="56" y={scale.y(level) + 4} text-anchor="end" font-size="11" fill="#4c636b"
        >{plan.money.short(level)}</text
      >
      <path d="M62 {scale.y(level)}H{width - 44}" stroke="#e2ddcf" />
    {/each}
    {#each shown as mark (mark.day)}
      <text x={scale.x(mark.day)} y={HEIGHT - 6} text-anchor="middle" font-size="11" fill="#4c636b"
        >{days <= 111 ? shortDay(mark.date) : `${monthName(mark.date)} ${mark.date.slice(2, 4)}`}</text
      >
    {/each}
    {#each lines as line, at (at)}
      <path
        d={scale.path(line.known, line.start)}
        fill="none"
        stroke={at ? '#2a8397' : '#12303b'}
        stroke-width={at ? 1.6 : 2.2}
        stroke-dasharray={dash(at)}
      />
    {/each}
    {#each letters as { at, y } (at)}
      <text x={width - 38} {y} font-size="12" font-weight="650" fill="#12303b">{letter(at)}</text>
    {/each}
  </svg>
</figure>
