<script lang="ts">
  interface Props {
    values: number[];
    strong: boolean;
  }

  let { values, strong }: Props = $props();
  const most = $derived(Math.max(1, ...values.map(Math.abs)));
</script>

<svg width={values.length * 5} height="22" aria-hidden="true" class="shrink-0">
  {#each values as value, i (i)}
    {@const height = Math.max(1, (20 * Math.abs(value)) / most)}
    <rect x={i * 5} y={21 - height} width="4" {height} fill={strong ? '#2a8397' : '#a9d6d6'} />
  {/each}
</svg>
