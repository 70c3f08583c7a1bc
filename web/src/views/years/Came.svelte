<script lang="ts">
  import { scale } from '../statements/charts';
  import type { DriverRow } from './years';

  interface Props {
    cells: DriverRow['values'][number]['cells'];
    years: string[];
  }

  let { cells, years }: Props = $props();
  const WIDTH = 90;
  const HEIGHT = 18;
  const points = $derived(
    cells.flatMap((cell, i) => (cell.cameTo ? [{ i, text: cell.cameTo, value: Number(cell.cameTo) }] : [])),
  );
  const y = $derived(
    scale(
      points.map((one) => one.value),
      2,
      HEIGHT - 2,
    ),
  );
  const x = (i: number) => 3 + (i * (WIDTH - 6)) / Math.max(1, cells.length - 1);
  const said = $derived(points.map((one) => `${years[one.i]}: ${one.text}`).join(', '));
</script>

{#if points.length > 1}
  <svg width={WIDTH} height={HEIGHT} role="img" aria-label="Came to {said}" class="inline-block align-middle">
    <title>{said}</title>
    <path
      d={points.map((one, n) => `${n ? 'L' : 'M'}${x(one.i)} ${y(one.value)}`).join('')}
      fill="none"
      stroke="#114a5c"
      stroke-width="1.5"
    />
    {#each points as one (one.i)}<circle cx={x(one.i)} cy={y(one.value)} r="1.6" fill="#114a5c" />{/each}
  </svg>
{/if}
