<script lang="ts">
  import type { Schemas } from '../../../lib/api';
  import { errorWords } from '../track';

  interface Props {
    row: Schemas['ChosenRow'];
    unit: string;
    /** The lead whose record is shown. */
    lead: number;
    onlead: (lead: number) => void;
  }

  let { row, unit, lead, onlead }: Props = $props();
  const HEIGHT = 150;
  let width = $state(430);
  const shown = $derived(row.errors);
  /** Errors beyond twice what happened are cut: they would hide the others. */
  const most = $derived(
    Math.min(20000, Math.max(1000, ...shown.flatMap((e) => [e.error ?? 0, e.dueDates ?? 0, e.lastYear ?? 0]))),
  );
  const step = $derived((width - 60) / Math.max(1, shown.length));
  const y = (hundredths: number) => HEIGHT - 22 - ((HEIGHT - 44) * Math.min(most, hundredths)) / most;
  const path = (of: 'dueDates' | 'lastYear') =>
    shown
      .map((e, i) => (e[of] === null ? '' : `${36 + step * (i + 0.5)} ${y(e[of])}`))
      .filter((point) => point)
      .join('L');
</script>

<figure class="card !p-2" bind:clientWidth={width}>
  <figcaption>
    <b class="font-semibold">How far ahead, how far off</b>
    <span class="hush">{row.name}, by {unit}s ahead</span>
  </figcaption>
  <svg width={width - 18} height={HEIGHT} role="group" aria-label="Error by {unit}s ahead">
    {#each [0, most / 2, most] as tick (tick)}
      <path d="M34 {y(tick)}H{width - 24}" stroke="#e2ddcf" />
      <text x="30" y={y(tick) + 4} text-anchor="end" font-size="10.5" fill="#4c636b">{errorWords(tick)}</text>
    {/each}
    {#each shown as error, i (i)}
      {#if error.error !== null}
        <rect
          x={36 + step * i + step * 0.15}
          y={y(error.error)}
          width={step * 0.7}
          height={HEIGHT - 22 - y(error.error)}
          fill={lead === i + 1 ? '#114a5c' : '#a9d6d6'}
          class="cursor-pointer"
          role="button"
          tabindex={0}
          aria-pressed={lead === i + 1}
          aria-label="{i + 1} {unit}s ahead: off by {errorWords(error.error)}"
          onclick={() => onlead(i + 1)}
          onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onlead(i + 1))}
        />
      {/if}
      <text x={36 + step * (i + 0.5)} y={HEIGHT - 8} text-anchor="middle" font-size="10.5" fill="#4c636b">{i + 1}</text>
    {/each}
    {#if path('dueDates')}<path
        d="M{path('dueDates')}"
        fill="none"
        stroke="#a9741c"
        stroke-width="1.5"
        stroke-dasharray="4 3"
      />{/if}
    {#if path('lastYear')}<path d="M{path('lastYear')}" fill="none" stroke="#7d6e8c" stroke-width="1.5" />{/if}
  </svg>
  <p class="hush flex gap-3 px-1">
    <span><span class="inline-block h-[9px] w-[9px] bg-[#a9d6d6]"></span> ours</span>
    <span class="text-[#8a5d12]">┄ due dates alone</span>
    {#if path('lastYear')}<span>─ the year before</span>{:else}<span>the year before: not in the books</span>{/if}
  </p>
</figure>
