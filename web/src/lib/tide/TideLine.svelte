<script lang="ts">
  import { addDays, daysBetween, fullDay, monthName, shortDay, type Day } from '../dates';
  import { getPlan } from '../plan.svelte';
  import TideHandle from './TideHandle.svelte';
  import { outline, runs, TideScale } from './scale';

  interface Props {
    /** The window of time the view below shows, both days included. */
    from: Day;
    to: Day;
    onwindow: (from: Day, to: Day) => void;
  }

  let { from, to, onwindow }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 96;
  let width = $state(1280);
  let hover = $state<number>();

  const tide = $derived(plan.view!.tide);
  /** With a scenario the base's own line is seen too. */
  const seen = $derived([...tide.closing, ...(plan.view!.shown?.base ?? [])]);
  const scale = $derived(
    new TideScale(tide.closing.length, seen, tide.minimum, 18, Math.max(400, width - 132), 14, HEIGHT - 17),
  );
  const asOf = $derived(daysBetween(tide.firstDay, tide.asOf));
  const low = $derived(daysBetween(tide.firstDay, tide.marks.lowWaterDay));
  const start = $derived(clamp(daysBetween(tide.firstDay, from)));
  const end = $derived(clamp(daysBetween(tide.firstDay, to)));
  const water = $derived(
    scale.path(tide.closing, 0) + `L${scale.x(tide.closing.length - 1)} ${HEIGHT - 16}L${scale.x(0)} ${HEIGHT - 16}Z`,
  );
  const bed = $derived(
    scale.path(tide.minimum, 0) + `L${scale.x(tide.closing.length - 1)} ${HEIGHT - 16}L${scale.x(0)} ${HEIGHT - 16}Z`,
  );
  const firstDay = $derived(tide.firstDay);
  const days = $derived(tide.closing.length);
  // Of these alone, so that an edit does not name the months again.
  const months = $derived(monthMarks(firstDay, days));
  /** The low water's words: beside its pin, clear of the handles. */
  const label = $derived.by(() => {
    const pin = scale.x(low);
    if (pin > width - 420) return { x: pin - 8, anchor: 'end' as const };
    const handle = [scale.x(start), scale.x(end)].find((x) => x > pin - 4 && x < pin + 170);
    return { x: handle === undefined ? pin + 10 : handle + 10, anchor: 'start' as const };
  });
  const short = $derived(runs(tide.shortfall));
  const limitNow = $derived(tide.limit[asOf] ?? 0);

  function clamp(day: number): number {
    return Math.max(0, Math.min(tide.closing.length - 1, day));
  }

  /** The first of every month that has room for its name. */
  function monthMarks(first: Day, days: number): { day: number; name: string }[] {
    const marks: { day: number; name: string }[] = [];
    const every = days > 500 ? 3 : days > 250 ? 2 : 1;
    for (let day = 0; day < days; day++) {
      const date = addDays(first, day);
      if (date.endsWith('-01') && (Number(date.slice(5, 7)) - 1) % every === 0) {
        marks.push({ day, name: monthName(date) + (date.slice(5, 7) === '01' ? ' ' + date.slice(0, 4) : '') });
      }
    }
    return marks;
  }

  function move(which: 'from' | 'to', day: number) {
    const date = addDays(tide.firstDay, clamp(day));
    if (which === 'from') onwindow(date < to ? date : addDays(to, -1), to);
    else onwindow(from, date > from ? date : addDays(from, 1));
  }
</script>

<section
  class="relative h-[96px] bg-abyss [contain:strict]"
  aria-label="Tide line: closing cash over the whole horizon"
  bind:clientWidth={width}
>
  <svg
    {width}
    height={HEIGHT}
    class="block"
    role="presentation"
    onpointermove={(e) => (hover = scale.day(e.offsetX))}
    onpointerleave={() => (hover = undefined)}
  >
    <defs>
      <pattern id="bed" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="#0b2f3c" /><path d="M0 0V6" stroke="#3a6a6f" stroke-width="1.6" />
      </pattern>
      <clipPath id="settled"><rect x="0" y="0" width={scale.x(asOf)} height={HEIGHT} /></clipPath>
      <clipPath id="ahead"><rect x={scale.x(asOf)} y="0" {width} height={HEIGHT} /></clipPath>
    </defs>
    <rect x={scale.x(start)} y="0" width={scale.x(end) - scale.x(start)} height={HEIGHT - 16} fill="#154858" />
    <path d={water} fill="#1d6173" opacity="0.75" />
    <path d={bed} fill="url(#bed)" opacity="0.85" />
    {#if plan.band?.points.length}
      <path
        data-band
        d={outline(
          scale,
          plan.band.points.map((point) => ({ ...point, day: daysBetween(tide.firstDay, point.day) })),
        )}
        fill="#bfe3e2"
        opacity="0.22"
      />
    {/if}
    <path
      d={scale.path(tide.minimum, 0)}
      fill="none"
      stroke="#d9b56a"
      stroke-width="1.2"
      shape-rendering="crispEdges"
    />
    <path
      d={scale.path(tide.closing, 0)}
      fill="none"
      stroke="#9fcfd1"
      stroke-width="1.6"
      stroke-dasharray="4 3"
      clip-path="url(#ahead)"
    />
    <path d={scale.path(tide.closing, 0)} fill="none" stroke="#fff" stroke-width="2.2" clip-path="url(#settled)" />
    {#each short as run (run.from)}
      <rect
        data-short
        x={scale.x(run.from)}
        y={HEIGHT - 20}
        width={Math.max(2, scale.x(run.to) - scale.x(run.from))}
        height="4"
        fill="#e0602f"
      />
    {/each}
    {#if plan.view!.shown}
      <path
        data-base
        d={scale.path(plan.view!.shown.base, 0)}
        fill="none"
        stroke="#8fb3b8"
        stroke-width="1"
        clip-path="url(#ahead)"
      />
    {/if}
    {#if plan.trial}
      <path
        data-trial
        d={scale.path(plan.trial.closing, 0)}
        fill="none"
        stroke="#f3d58a"
        stroke-width="1.6"
        clip-path="url(#ahead)"
      />
    {/if}
    <path d="M{scale.x(asOf)} 2V{HEIGHT - 16}" stroke="#e0602f" stroke-width="1.5" />
    <text x={scale.x(asOf) + 4} y="11" fill="#f0a583" font-size="10.5">{shortDay(tide.asOf)}</text>
    {#each months as mark (mark.day)}
      <text x={scale.x(mark.day)} y={HEIGHT - 4} fill="#9fbec4" font-size="10.5">{mark.name}</text>
    {/each}
    <g font-size="11.5" font-weight="600" fill="#fff">
      <circle cx={scale.x(low)} cy={scale.y(tide.marks.lowWaterCash)} r="4" fill="#e0602f" stroke="#fff" />
      <path
        d="M{scale.x(low)} {scale.y(tide.marks.lowWaterCash) - 4}L{scale.x(low) + 8} 28"
        stroke="#fff"
        stroke-width="0.8"
      />
      <text x={label.x} y="24" text-anchor={label.anchor}>
        low water {plan.money.short(tide.marks.lowWaterCash)} · {shortDay(tide.marks.lowWaterDay)}
      </text>
    </g>
    {#if hover !== undefined}
      <path d="M{scale.x(hover)} 0V{HEIGHT - 16}" stroke="#fff" stroke-width="0.6" opacity="0.6" />
    {/if}
  </svg>
  <TideHandle
    x={scale.x(start)}
    day={start}
    last={tide.closing.length - 1}
    label="Window starts"
    words={fullDay(from)}
    dayAt={(x) => scale.day(x)}
    onmove={(day) => move('from', day)}
  />
  <TideHandle
    x={scale.x(end)}
    day={end}
    last={tide.closing.length - 1}
    label="Window ends"
    words={fullDay(to)}
    dayAt={(x) => scale.day(x)}
    onmove={(day) => move('to', day)}
  />
  {#if hover !== undefined}
    <div
      class="pointer-events-none absolute top-1 z-10 rounded-[3px] bg-white px-2 py-1 text-[12px] text-ink shadow"
      style="left:{Math.min(scale.x(hover) + 8, width - 230)}px"
    >
      {fullDay(addDays(tide.firstDay, hover))}: <b>{plan.money.sum(tide.closing[hover] ?? 0)}</b>
      <span class="hush">minimum {plan.money.short(tide.minimum[hover] ?? 0)}</span>
      {#if tide.shortfall[hover]}<span class="bad">short {plan.money.short(tide.shortfall[hover]!)}</span>{/if}
    </div>
  {/if}
  <div class="pointer-events-none absolute right-3 top-1.5 w-[112px] text-[10.5px] leading-[1.45] text-[#9fc3c8]">
    headroom now<br /><b class="text-[16px] leading-5 text-white">{plan.money.short(tide.headroomNow)}</b><br />
    peak need {plan.money.short(tide.marks.peakNeed)}<br />limit {plan.money.short(limitNow)}
    {#if plan.breakwater}
      <br /><span
        class={plan.breakwater.headroom < 0 ? 'font-semibold text-[#f0a583]' : ''}
        data-breakwater
        title="{plan.breakwater.name}: least headroom on {fullDay(plan.breakwater.lowWater)}"
        >breakwater {plan.money.short(plan.breakwater.headroom)}</span
      >
    {/if}
  </div>
  <table class="sr-only">
    <caption>Closing cash at each month shown on the tide line</caption>
    <tbody>
      {#each months as mark (mark.day)}
        <tr>
          <th scope="row">{fullDay(addDays(tide.firstDay, mark.day))}</th>
          <td>{plan.money.sum(tide.closing[mark.day] ?? 0)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</section>
