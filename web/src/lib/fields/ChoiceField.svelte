<script lang="ts" generics="Value extends string | number">
  import type { HTMLSelectAttributes } from 'svelte/elements';
  import FieldFrame from './FieldFrame.svelte';

  interface Props extends Omit<HTMLSelectAttributes, 'class' | 'value'> {
    /** What is chosen. */
    value: Value | undefined;
    /** What there is to choose, each called by its name, or by what it is. */
    options: readonly (Value | { value: Value; name: string })[];
    /** Puts a choice in force; gives the refusal, or nothing. */
    onput?: (value: Value) => string | Promise<string>;
    /** Hears of a choice that is put in force elsewhere. With neither, the choice belongs to the form that asks. */
    onchoose?: (value: Value) => void;
    label?: string;
    above?: boolean;
    /** The name of a field without a label. */
    name?: string;
    after?: string;
    class?: string;
  }

  let {
    value = $bindable(),
    options,
    onput,
    onchoose,
    label,
    above,
    name,
    after,
    class: look = '',
    ...rest
  }: Props = $props();
  const all = $derived(options.map((one) => (typeof one === 'object' ? one : { value: one, name: String(one) })));
  let refusal = $state('');

  async function choose(select: HTMLSelectElement) {
    const chosen = all[select.selectedIndex]!.value;
    if (onput) {
      const refused = await onput(chosen);
      // Another was chosen meanwhile: its answer counts.
      if (all[select.selectedIndex]?.value !== chosen) return;
      refusal = refused;
      // What was not taken is not shown as if it were.
      select.selectedIndex = all.findIndex((one) => one.value === value);
    } else if (onchoose) onchoose(chosen);
    else value = chosen;
  }
</script>

<FieldFrame {label} {above} {after} {refusal}>
  {#snippet children(said)}
    <select
      {...rest}
      class="small-field {look}"
      aria-label={name}
      aria-invalid={!!refusal}
      aria-describedby={said}
      {value}
      onchange={(e) => void choose(e.currentTarget)}
    >
      {#each all as one (one.value)}<option value={one.value}>{one.name}</option>{/each}
    </select>
  {/snippet}
</FieldFrame>
