<script lang="ts">
  /** The room of rows that are not in sight. */
  let { height, columns }: { height: number; columns: number } = $props();
</script>

{#if height > 0}
  <tr aria-hidden="true" style="height:{height}px"><td colspan={columns}></td></tr>
{/if}
