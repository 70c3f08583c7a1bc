<script lang="ts">
  import type { FigureColumn } from '../../lib/grid/figures';
  import { getPlan } from '../../lib/plan.svelte';
  import { scale } from './charts';

  interface Props {
    columns: FigureColumn[];
    /** What came in less what went out, and cash at the end, by period. */
    net: number[];
    cash: number[];
    chosen: number;
    onchoose: (column: number) => void;
  }

  let { columns, net, cash, chosen, onchoose }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 210;
  const FOOT = 30;
  let width = $state(900);
  const y = $derived(scale([...net, ...cash, 0], 12, HEIGHT - FOOT));
  const slot = $derived(columns.length ? (width - 90) / columns.length : 0);
  const bar = $derived(Math.min(30, slot * 0.6));
  const x = (i: number) => 62 + i * slot + slot / 2;
  const every = $derived(Math.max(1, Math.ceil(52 / Math.max(1, slot))));
  const line = $derived(cash.map((minor, i) => `${i ? 'L' : 'M'}${x(i)} ${y(minor)}`).join(''));
</script>

<figure class="card !p-2" bind:clientWidth={width}>
  <svg width={width - 18} height={HEIGHT} role="img" aria-label="Net cash flow and cash at the end, by period">
    {#each columns as column, i (column.key)}
      <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
      <g onclick={() => onchoose(i)} class="cursor-pointer">
        <rect
          x={x(i) - slot / 2}
          y="0"
          width={slot}
          height={HEIGHT - FOOT}
          fill={i === chosen ? '#e4f1ee' : 'transparent'}
        />
        <rect
          x={x(i) - bar / 2}
          y={Math.min(y(0), y(net[i] ?? 0))}
          width={bar}
          height={Math.abs(y(net[i] ?? 0) - y(0))}
          fill={(net[i] ?? 0) < 0 ? '#b5533c' : '#7fbfc2'}
        >
          <title
            >{column.name} {column.sub}: net {plan.money.sum(net[i] ?? 0)}, cash {plan.money.sum(cash[i] ?? 0)}</title
          >
        </rect>
      </g>
      {#if i % every === 0}
        <text x={x(i)} y={HEIGHT - 14} text-anchor="middle" font-size="11" fill="#4c636b">{column.name}</text>
        <text x={x(i)} y={HEIGHT - 2} text-anchor="middle" font-size="10" fill="#4c636b">{column.sub}</text>
      {/if}
    {/each}
    <path d={line} fill="none" stroke="#114a5c" stroke-width="2" />
    <path d="M58 {y(0)}H{width - 26}" stroke="#4c636b" />
    <text x="54" y={y(0) + 4} text-anchor="end" font-size="11" fill="#4c636b">0</text>
    <text x="54" y="16" text-anchor="end" font-size="11" fill="#4c636b"
      >{plan.money.short(Math.max(...net, ...cash))}</text
    >
  </svg>
  <figcaption class="hush flex gap-4 px-2">
    <span><i class="inline-block h-[10px] w-[10px] bg-[#7fbfc2]"></i> more came in than went out</span>
    <span><i class="inline-block h-[10px] w-[10px] bg-[#b5533c]"></i> less came in</span>
    <span><i class="inline-block h-[2px] w-[14px] bg-[#114a5c] align-middle"></i> cash at the end</span>
  </figcaption>
</figure>
