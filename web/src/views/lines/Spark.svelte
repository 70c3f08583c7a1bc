<script lang="ts">
  interface Props {
    values: number[];
    strong: boolean;
    /** Whether the line pays: a figure the other way is drawn hollow, since it comes back. */
    payment: boolean;
  }

  let { values, strong, payment }: Props = $props();
  const colour = $derived(strong ? '#2a8397' : '#a9d6d6');
  const most = $derived(Math.max(1, ...values.map(Math.abs)));
</script>

<svg width={values.length * 5} height="22" aria-hidden="true" class="shrink-0">
  {#each values as value, i (i)}
    {@const height = Math.max(1, (20 * Math.abs(value)) / most)}
    {@const back = payment ? value > 0 : value < 0}
    <rect
      x={i * 5 + 0.5}
      y={21 - height}
      width="3.5"
      {height}
      fill={back ? 'none' : colour}
      stroke={back ? colour : 'none'}
    />
  {/each}
</svg>
