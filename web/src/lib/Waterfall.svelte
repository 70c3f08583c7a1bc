<script lang="ts" module>
  /** A bar of a chart that leads from one total to another: where it begins and ends, and what it is of. */
  export interface WaterfallBar {
    key: string;
    name: string;
    from: number;
    to: number;
    minor: number;
    total: boolean;
  }
</script>

<script lang="ts">
  import { getPlan } from './plan.svelte';

  interface Props {
    bars: WaterfallBar[];
    label: string;
  }

  let { bars, label }: Props = $props();
  const plan = getPlan();
  const ROW = 25;
  const LEFT = 260;
  let width = $state(900);
  const ends = $derived(bars.flatMap((bar) => [bar.from, bar.to]));
  const least = $derived(Math.min(0, ...ends));
  const most = $derived(Math.max(0, ...ends));
  const x = (minor: number) => LEFT + ((width - 150 - LEFT) * (minor - least)) / (most - least || 1);
</script>

<figure class="card !p-2" bind:clientWidth={width}>
  <svg width={width - 18} height={bars.length * ROW + 8} role="img" aria-label={label}>
    {#each bars as bar, i (bar.key)}
      <text x="250" y={i * ROW + 18} text-anchor="end" font-size="12" fill="#16323b" font-weight={bar.total ? 650 : 400}
        >{bar.name}</text
      >
      <rect
        x={Math.min(x(bar.from), x(bar.to))}
        y={i * ROW + 5}
        width={Math.max(1, Math.abs(x(bar.to) - x(bar.from)))}
        height={ROW - 9}
        fill={bar.total ? '#114a5c' : bar.minor < 0 ? '#b5533c' : '#7fbfc2'}
      />
      <text x={width - 30} y={i * ROW + 18} text-anchor="end" font-size="12" fill="#16323b"
        >{plan.money.full(bar.minor)}</text
      >
    {/each}
  </svg>
</figure>
