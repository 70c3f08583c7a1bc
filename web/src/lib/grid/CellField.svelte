<script lang="ts">
  import type { TypedGrid } from './typed.svelte';

  interface Props {
    grid: TypedGrid;
    label: string;
    class?: string;
  }

  let { grid, label, class: wide = 'w-[96px]' }: Props = $props();

  function focus(field: HTMLInputElement) {
    field.focus();
  }
</script>

<!-- Laid over the cell, so that no column moves under the pointer while it opens and closes. -->
<input
  class="small-field absolute top-0 right-0 z-[1] h-[25px] {wide} bg-sheet text-right not-italic"
  aria-label={label}
  aria-invalid={!!grid.refusal}
  bind:value={grid.typed}
  {@attach focus}
  onkeydown={(e) => grid.fieldKeydown(e)}
  onblur={() => grid.left()}
/>
