<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    told: Schemas['BreakEvenView'];
  }

  let { told }: Props = $props();
  const plan = getPlan();
  const HEIGHT = 190;
  const LEFT = 70;
  let width = $state(900);
  const values = $derived(told.points.map((point) => Number(point.value)));
  const levels = $derived([...told.points.map((point) => point.minor), told.bound]);
  const least = $derived(Math.min(...levels));
  const most = $derived(Math.max(...levels, least + 1));
  const x = (value: number) => LEFT + ((width - LEFT - 60) * (value - values[0]!)) / (values.at(-1)! - values[0]! || 1);
  const y = (minor: number) => 12 + ((HEIGHT - 44) * (most - minor)) / (most - least);
  const path = $derived(
    told.points
      .map((point, i) => `${i ? 'L' : 'M'}${x(Number(point.value)).toFixed(1)} ${y(point.minor).toFixed(1)}`)
      .join(''),
  );
  const unit = $derived(told.scales ? '%' : '');
</script>

<figure class="my-2" bind:clientWidth={width}>
  <svg {width} height={HEIGHT} role="img" aria-label="The measure over the range, and the bound">
    <path d="M{LEFT} {y(told.bound)}H{width - 60}" stroke="#a9741c" stroke-dasharray="5 3" />
    <text x={width - 56} y={y(told.bound) + 4} font-size="11" fill="#8a5d12">{plan.money.short(told.bound)}</text>
    {#each [most, least] as level (level)}
      <text x={LEFT - 6} y={y(level) + 4} text-anchor="end" font-size="11" fill="#4c636b"
        >{plan.money.short(level)}</text
      >
    {/each}
    <path d={path} fill="none" stroke="#114a5c" stroke-width="2" />
    <path d="M{x(Number(told.now))} 8V{HEIGHT - 30}" stroke="#e0602f" />
    {#each [values[0]!, Number(told.now), values.at(-1)!] as value, i (i)}
      <text x={x(value)} y={HEIGHT - 14} text-anchor="middle" font-size="11" fill="#4c636b"
        >{i === 1 ? 'now ' : ''}{value}{unit}</text
      >
    {/each}
  </svg>
</figure>
