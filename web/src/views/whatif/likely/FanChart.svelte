<script lang="ts">
  import { daysBetween, fullDay, shortDay } from '../../../lib/dates';
  import { getPlan } from '../../../lib/plan.svelte';
  import { outline, TideScale } from '../../../lib/tide/scale';
  import { chance, type Simulation } from './likely';

  interface Props {
    told: Simulation;
  }

  let { told }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 250;
  /** The percentiles that bound a band, the widest first. */
  const BANDS = [
    [0, 6],
    [1, 5],
    [2, 4],
  ] as const;
  const MEDIAN = 3;
  let width = $state(820);
  let hover = $state<number>();
  const tide = $derived(plan.view!.tide);
  const first = $derived(daysBetween(tide.firstDay, told.weeks[0]!.end));
  const days = $derived(told.weeks.map((week) => daysBetween(told.weeks[0]!.end, week.end)));
  const last = $derived(days.at(-1)!);
  const minimum = $derived(tide.minimum.slice(first, first + last + 1));
  const scale = $derived(
    new TideScale(
      last + 1,
      told.weeks.flatMap((week) => [week.percentiles[0]!, week.percentiles[6]!, week.forecast]),
      minimum,
      62,
      width - 30,
      10,
      HEIGHT - 58,
    ),
  );
  const each = $derived(Math.ceil(told.weeks.length / 10));
  const week = $derived(hover === undefined ? undefined : told.weeks[hover]);

  function line(at: (week: number) => number): string {
    return 'M' + days.map((day, i) => `${scale.x(day).toFixed(1)} ${scale.y(at(i)).toFixed(1)}`).join('L');
  }

  function nearest(x: number) {
    const day = scale.day(x);
    hover = days.reduce((best, one, i) => (Math.abs(one - day) < Math.abs(days[best]! - day) ? i : best), 0);
  }
</script>

<figure class="card relative !p-2" bind:clientWidth={width}>
  <figcaption class="hush px-2">
    Closing cash at the end of each week: half of the runs lie in the darkest water, 8 of 10 in the next, 9 of 10 in all
    of it; the line is the middle run, the dots the forecast
  </figcaption>
  <svg
    width={width - 18}
    height={HEIGHT}
    role="img"
    aria-label="Where closing cash is likely to lie by week"
    onpointermove={(e) => nearest(e.offsetX)}
    onpointerleave={() => (hover = undefined)}
  >
    {#each BANDS as [low, high], i (low)}
      <path
        d={outline(
          scale,
          told.weeks.map((one, at) => ({ day: days[at]!, low: one.percentiles[low]!, high: one.percentiles[high]! })),
        )}
        fill={['#dcefee', '#a9d6d6', '#6bb0b8'][i]}
      />
    {/each}
    <defs>
      <pattern id="fan-bed" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V6" stroke="#b9a57a" stroke-width="1.4" />
      </pattern>
    </defs>
    <path
      d="{scale.path(minimum, 0)}L{scale.x(last)} {HEIGHT - 58}L{scale.x(0)} {HEIGHT - 58}Z"
      fill="url(#fan-bed)"
      opacity="0.55"
    />
    <path d={scale.path(minimum, 0)} fill="none" stroke="#a9741c" />
    <text x={width - 34} y={scale.y(minimum.at(-1) ?? 0) - 4} text-anchor="end" font-size="11" fill="#8a5d12"
      >minimum cash</text
    >
    {#each [scale.most / 1.08, 0] as level (level)}
      <text x="56" y={scale.y(level) + 4} text-anchor="end" font-size="11" fill="#4c636b"
        >{plan.money.short(level)}</text
      >
      <path d="M62 {scale.y(level)}H{width - 30}" stroke="#e2ddcf" />
    {/each}
    <path d={line((i) => told.weeks[i]!.percentiles[MEDIAN]!)} fill="none" stroke="#114a5c" stroke-width="2" />
    <path
      d={line((i) => told.weeks[i]!.forecast)}
      fill="none"
      stroke="#12303b"
      stroke-width="1.4"
      stroke-dasharray="1.5 3.5"
    />
    {#each told.weeks as one, i (one.end)}
      {@const share = one.fallsShort.share}
      <rect
        x={scale.x(days[i]!) - 5}
        y={HEIGHT - 24 - (22 * share) / 10000}
        width="10"
        height={(22 * share) / 10000}
        fill="#b23a24"
      />
      {#if i % each === 0}
        <text x={scale.x(days[i]!)} y={HEIGHT - 4} text-anchor="middle" font-size="11" fill="#4c636b"
          >{shortDay(one.end)}</text
        >
      {/if}
    {/each}
    <path d="M62 {HEIGHT - 23.5}H{width - 30}" stroke="#cfc9b8" />
    <text x="56" y={HEIGHT - 26} text-anchor="end" font-size="11" fill="#4c636b">short by</text>
    {#if hover !== undefined}
      <path d="M{scale.x(days[hover]!)} 6V{HEIGHT - 24}" stroke="#12303b" stroke-width="0.6" />
    {/if}
  </svg>
  {#if week}
    <div
      class="pointer-events-none absolute top-8 z-10 rounded-[3px] bg-white px-2 py-1 text-[12px] shadow"
      style="left:{Math.min(scale.x(days[hover!]!) + 12, width - 280)}px"
    >
      <b class="font-semibold">{fullDay(week.end)}</b>, forecast {plan.money.sum(week.forecast)}<br />
      middle run {plan.money.sum(week.percentiles[MEDIAN]!)}, 8 of 10 from {plan.money.sum(week.percentiles[1]!)} to
      {plan.money.sum(week.percentiles[5]!)}<br />
      headroom below nil by then in {chance(week.fallsShort.share)} (± {chance(week.fallsShort.error)})
    </div>
  {/if}
  <table class="sr-only">
    <caption>Percentiles of closing cash by week, and the chance that headroom fell below nil</caption>
    <thead
      ><tr
        ><th>Week to</th>{#each told.percentiles as one (one)}<th>{one} of 100</th>{/each}<th>falls short</th></tr
      ></thead
    >
    <tbody>
      {#each told.weeks as one (one.end)}
        <tr>
          <th scope="row">{fullDay(one.end)}</th>
          {#each one.percentiles as minor, i (i)}<td>{plan.money.sum(minor)}</td>{/each}
          <td>{chance(one.fallsShort.share)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</figure>
