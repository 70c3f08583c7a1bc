<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** What stands before the field, or above it. */
    label?: string | undefined;
    above?: boolean | undefined;
    /** What stands behind it. */
    after?: string | undefined;
    /** Whether it is as wide as there is room. */
    wide?: boolean | undefined;
    /** What is wrong with what is in it, said below and tied to it. */
    refusal?: string | undefined;
    /** The field; it is given the id of what is said of it. */
    children: Snippet<[string | undefined]>;
  }

  let { label, above = false, after, wide = false, refusal = '', children }: Props = $props();
  const said = $props.id();
</script>

<span class="{wide ? 'flex flex-1' : 'inline-flex'} flex-col">
  <label class={above ? 'block' : wide ? 'flex items-center gap-2' : 'whitespace-nowrap'}>
    {#if label}<span class="hush {above ? 'block' : ''}">{label}</span>{/if}
    {@render children(refusal ? said : undefined)}
    {#if after}<span class="hush">{after}</span>{/if}
  </label>
  {#if refusal}<span id={said} class="bad mt-0.5 block max-w-[320px] whitespace-normal" role="alert">{refusal}</span
    >{/if}
</span>
