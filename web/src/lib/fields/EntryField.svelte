<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';
  import FieldFrame from './FieldFrame.svelte';

  interface Props extends Omit<HTMLInputAttributes, 'class' | 'value'> {
    /** What is typed: it belongs to the form that asks for it. */
    value: string;
    label?: string;
    above?: boolean;
    /** The name of a field without a label. */
    name?: string;
    after?: string;
    /** As wide as there is room. */
    wide?: boolean;
    /** Classes of the field: its width, and how its text lies. */
    class?: string;
    refusal?: string | undefined;
    field?: HTMLInputElement | undefined;
  }

  let {
    value = $bindable(),
    field = $bindable(),
    label,
    above,
    name,
    after,
    wide,
    class: look = wide ? 'w-full' : 'w-[110px]',
    refusal,
    ...rest
  }: Props = $props();
</script>

<FieldFrame {label} {above} {after} {wide} {refusal}>
  {#snippet children(said)}
    <input
      {...rest}
      class="small-field {look}"
      aria-label={name}
      aria-invalid={!!refusal}
      aria-describedby={said}
      bind:value
      bind:this={field}
    />
  {/snippet}
</FieldFrame>
