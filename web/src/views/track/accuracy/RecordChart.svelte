<script lang="ts">
  import type { Schemas } from '../../../lib/api';
  import { shortDay } from '../../../lib/dates';
  import { getPlan } from '../../../lib/plan.svelte';

  interface Props {
    points: Schemas['RecordPoint'][];
    name: string;
    unit: string;
    lead: number;
  }

  let { points, name, unit, lead }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 150;
  let width = $state(430);
  let hover = $state<number>();
  const all = $derived(points.flatMap((point) => [point.forecast, point.actual]));
  const most = $derived(Math.max(0, ...all) || 1);
  const least = $derived(Math.min(0, ...all));
  const x = (i: number) => 52 + ((width - 80) * i) / Math.max(1, points.length - 1);
  const y = (minor: number) => HEIGHT - 22 - ((HEIGHT - 34) * (minor - least)) / (most - least);
  const path = (of: 'forecast' | 'actual') => points.map((point, i) => `${x(i)} ${y(point[of])}`).join('L');
</script>

<figure class="card relative !p-2" bind:clientWidth={width}>
  <figcaption>
    <b class="font-semibold">The record</b>
    <span class="hush">{name}, forecast {lead} {unit}{lead === 1 ? '' : 's'} ahead against what happened</span>
  </figcaption>
  {#if points.length === 0}
    <p class="hush p-2">No record is kept of this row: choose a line or a sum below.</p>
  {:else}
    <svg
      width={width - 18}
      height={HEIGHT}
      role="img"
      aria-label="{name}: forecast and actual of {points.length} {unit}s"
      onpointermove={(e) =>
        (hover = Math.max(
          0,
          Math.min(points.length - 1, Math.round(((e.offsetX - 52) / (width - 80)) * (points.length - 1))),
        ))}
      onpointerleave={() => (hover = undefined)}
    >
      {#each [least, most] as tick (tick)}
        <path d="M50 {y(tick)}H{width - 26}" stroke="#e2ddcf" />
        <text x="46" y={y(tick) + 4} text-anchor="end" font-size="10.5" fill="#4c636b">{plan.money.short(tick)}</text>
      {/each}
      <path d="M50 {y(0)}H{width - 26}" stroke="#a79f8b" />
      <path d="M{path('actual')}" fill="none" stroke="#114a5c" stroke-width="2" />
      <path d="M{path('forecast')}" fill="none" stroke="#2a8397" stroke-width="1.5" stroke-dasharray="4 3" />
      {#each points as point, i (point.asOf)}
        {#if i % Math.ceil(points.length / 6) === 0}
          <text
            x={x(i)}
            y={HEIGHT - 7}
            text-anchor={i > points.length - 3 ? 'end' : 'middle'}
            font-size="10.5"
            fill="#4c636b">{shortDay(point.from)}</text
          >
        {/if}
      {/each}
      {#if hover !== undefined}<path d="M{x(hover)} 8V{HEIGHT - 22}" stroke="#12303b" stroke-width="0.6" />{/if}
    </svg>
    <p class="hush px-1">
      {#if hover !== undefined && points[hover]}
        {@const point = points[hover]!}
        {shortDay(point.from)} – {shortDay(point.to)}: forecast {plan.money.sum(point.forecast)}, was {plan.money.sum(
          point.actual,
        )}
      {:else}
        ─ what happened <span class="text-[#1f6f80]">┄ forecast</span>
      {/if}
    </p>
  {/if}
</figure>
