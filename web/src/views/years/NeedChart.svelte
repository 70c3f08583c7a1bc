<script lang="ts">
  import { getPlan } from '../../lib/plan.svelte';
  import { scale } from '../statements/charts';
  import type { YearsView } from './years';

  interface Props {
    years: YearsView['years'];
    chosen: number;
    onchoose: (year: number) => void;
  }

  let { years, chosen, onchoose }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 220;
  const FOOT = 22;
  let width = $state(800);
  const limited = $derived(years.some((one) => one.limit > 0));
  const all = $derived([0, ...years.flatMap((one) => [one.needed, one.debt, one.limit])]);
  const y = $derived(scale(all, 14, HEIGHT - FOOT));
  const slot = $derived((width - 90) / Math.max(1, years.length));
  const bar = $derived(Math.min(34, slot * 0.5));
  const x = (i: number) => 66 + i * slot + slot / 2;
  const path = (of: (year: YearsView['years'][number]) => number) =>
    years.map((one, i) => `${i ? 'L' : 'M'}${x(i)} ${y(of(one))}`).join('');
</script>

<figure class="card !p-2" bind:clientWidth={width}>
  <svg width={width - 18} height={HEIGHT} role="img" aria-label="Need from outside, and debt, by year">
    {#each years as one, i (one.name)}
      <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
      <g class="cursor-pointer" onclick={() => onchoose(i)}>
        <rect
          x={x(i) - slot / 2}
          y="0"
          width={slot}
          height={HEIGHT - FOOT}
          fill={i === chosen ? '#e4f1ee' : 'transparent'}
        />
        <rect
          x={x(i) - bar / 2}
          y={Math.min(y(0), y(one.needed))}
          width={bar}
          height={Math.abs(y(one.needed) - y(0))}
          fill={one.needed > 0 ? '#b5533c' : '#7fbfc2'}
        >
          <title>{one.label}: needed {plan.money.sum(one.needed)}, debt {plan.money.sum(one.debt)}</title>
        </rect>
      </g>
      <text x={x(i)} y={HEIGHT - 6} text-anchor="middle" font-size="11" fill="#4c636b">{one.label}</text>
    {/each}
    <path d={path((one) => one.debt)} fill="none" stroke="#114a5c" stroke-width="2" />
    {#if limited}
      <path d={path((one) => one.limit)} fill="none" stroke="#b5533c" stroke-dasharray="5 4" stroke-width="1.5" />
    {/if}
    <path d="M62 {y(0)}H{width - 26}" stroke="#4c636b" />
    <text x="58" y={y(0) + 4} text-anchor="end" font-size="11" fill="#4c636b">0</text>
    <text x="58" y="18" text-anchor="end" font-size="11" fill="#4c636b">{plan.money.short(Math.max(...all))}</text>
  </svg>
  <figcaption class="hush flex gap-4 px-2">
    <span><i class="inline-block h-[10px] w-[10px] bg-[#b5533c]"></i> needed from outside</span>
    <span><i class="inline-block h-[10px] w-[10px] bg-[#7fbfc2]"></i> repaid</span>
    <span><i class="inline-block h-[2px] w-[14px] bg-[#114a5c] align-middle"></i> debt at the end</span>
    {#if limited}<span
        ><i class="inline-block w-[14px] border-t-2 border-dashed border-[#b5533c] align-middle"></i> limit of the facility
        drawn first</span
      >{/if}
  </figcaption>
</figure>
