<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    /** What is wrong with what was typed, beside the field. */
    refusal?: string;
    children: Snippet;
  }

  let { label, refusal, children }: Props = $props();
</script>

<div>
  <label class="block">
    <span class="hush block">{label}</span>
    {@render children()}
  </label>
  {#if refusal}<span class="bad mt-0.5 block max-w-[320px]" role="alert">{refusal}</span>{/if}
</div>
