<script lang="ts">
  import { addDays, daysBetween, fullDay, longDay, monthName, shortDay, weekday, type Day } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import { outline, TideScale } from '../../lib/tide/scale';

  interface Props {
    from: Day;
    to: Day;
  }

  let { from, to }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 260;
  let width = $state(1240);
  let hover = $state<number>();
  const tide = $derived(plan.view!.tide);
  const first = $derived(Math.max(0, daysBetween(tide.firstDay, from)));
  const last = $derived(Math.min(tide.closing.length - 1, daysBetween(tide.firstDay, to)));
  const closing = $derived(tide.closing.slice(first, last + 1));
  const minimum = $derived(tide.minimum.slice(first, last + 1));
  const floor = $derived(tide.limit.slice(first, last + 1).map((limit) => -limit));
  /** The part of the band that lies in the window. */
  const band = $derived(
    (plan.band?.points ?? [])
      .map((point) => ({ ...point, day: daysBetween(tide.firstDay, point.day) - first }))
      .filter((point) => point.day >= 0 && point.day < closing.length),
  );
  const scale = $derived(
    new TideScale(
      closing.length,
      [...closing, ...floor, ...band.flatMap((p) => [p.low, p.high])],
      minimum,
      70,
      width - 90,
      12,
      HEIGHT - 26,
    ),
  );
  const asOf = $derived(daysBetween(tide.firstDay, tide.asOf) - first);
  const dates = $derived(dayMarks(addDays(tide.firstDay, first), closing.length));
  const ticks = $derived(axis(scale.least, scale.most));

  /** The days written below the chart: each Monday of a short window, else the first of each month, or of each quarter. */
  function dayMarks(start: Day, days: number): { day: number; name: string }[] {
    const every = days > 500 ? 3 : 1;
    return Array.from({ length: days }, (_, day) => ({ day, date: addDays(start, day) }))
      .filter(({ date }) =>
        days <= 110 ? weekday(date) === 'Mon' : date.endsWith('-01') && (Number(date.slice(5, 7)) - 1) % every === 0,
      )
      .map(({ day, date }) => ({ day, name: days <= 110 ? shortDay(date) : `${monthName(date)} ${date.slice(2, 4)}` }));
  }

  /** About six round amounts between two. */
  function axis(least: number, most: number): number[] {
    const rough = (most - least) / 8;
    const power = 10 ** Math.floor(Math.log10(rough));
    const step = [1, 2, 5, 10].map((n) => n * power).find((n) => n >= rough) ?? power * 10;
    const marks: number[] = [];
    for (let at = Math.ceil(least / step) * step; at <= most; at += step) marks.push(at);
    return marks;
  }
</script>

<figure class="card mb-3 !p-2" bind:clientWidth={width}>
  <figcaption class="hush px-2">
    Closing cash by day, {longDay(from)} to {longDay(to)}; the same figures stand in the table below.
    {#if band.length > 1 && plan.band}
      The shade is where it fell 8 times of 10 in past forecasts{plan.band.tried
        ? ` (tried on ${plan.band.tried}: ${plan.band.covered} fell within)`
        : ''}.
    {/if}
  </figcaption>
  <div class="relative">
    <svg
      width={width - 18}
      height={HEIGHT}
      role="img"
      aria-label="Closing cash against minimum cash and the facility limit"
      onpointermove={(e) => (hover = scale.day(e.offsetX))}
      onpointerleave={() => (hover = undefined)}
    >
      {#each ticks as tick (tick)}
        <path d="M70 {scale.y(tick)}H{width - 90}" stroke="#e2ddcf" />
        <text x="64" y={scale.y(tick) + 4} text-anchor="end" font-size="11" fill="#4c636b"
          >{plan.money.short(tick)}</text
        >
      {/each}
      {#each dates as mark (mark.day)}
        <path d="M{scale.x(mark.day)} {HEIGHT - 26}v4" stroke="#4c636b" />
        <text x={scale.x(mark.day)} y={HEIGHT - 9} text-anchor="middle" font-size="11" fill="#4c636b">{mark.name}</text>
      {/each}
      {#if minimum.length}
        <path d={scale.path(minimum, 0)} fill="none" stroke="#a9741c" stroke-dasharray="5 3" />
        <text x={width - 86} y={scale.y(minimum.at(-1) ?? 0) + 4} font-size="11" fill="#8a5d12">minimum</text>
        <path d={scale.path(floor, 0)} fill="none" stroke="#b23a24" stroke-dasharray="2 3" />
        <text x={width - 86} y={scale.y(floor.at(-1) ?? 0) + 4} font-size="11" fill="#b23a24">limit used up</text>
      {/if}
      {#if band.length > 1}
        <path data-band d={outline(scale, band)} fill="#2a8397" opacity="0.16" />
      {/if}
      <path d={scale.path(closing, 0)} fill="none" stroke="#114a5c" stroke-width="2" />
      {#if asOf >= 0 && asOf < closing.length}
        <path d="M{scale.x(asOf)} 4V{HEIGHT - 26}" stroke="#e0602f" stroke-width="1.5" />
      {/if}
      {#if hover !== undefined}
        <circle cx={scale.x(hover)} cy={scale.y(closing[hover] ?? 0)} r="4" fill="#2a8397" />
      {/if}
    </svg>
    {#if hover !== undefined}
      <div
        class="pointer-events-none absolute top-2 rounded-[3px] border border-rule-2 bg-white px-2 py-1"
        style="left:{Math.min(scale.x(hover) + 10, width - 260)}px"
      >
        {fullDay(addDays(tide.firstDay, first + hover))}: <b>{plan.money.sum(closing[hover] ?? 0)}</b>
      </div>
    {/if}
  </div>
</figure>
