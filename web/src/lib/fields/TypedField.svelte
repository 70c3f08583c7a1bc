<script lang="ts">
  import FieldFrame from './FieldFrame.svelte';

  interface Props {
    /** The text in force. */
    value: string;
    /** Puts what was typed in force; gives the refusal, or nothing. */
    onput: (typed: string) => string | Promise<string>;
    /** What stands before the field, or above it. */
    label?: string;
    above?: boolean;
    /** The name of a field without a label. */
    name?: string;
    /** What stands behind the field. */
    after?: string;
    /** Classes of the field: its width, and how its text lies. */
    class?: string;
    placeholder?: string;
    maxlength?: number;
  }

  let {
    value,
    onput,
    label,
    above = false,
    name,
    after,
    class: look = 'w-[110px]',
    placeholder,
    maxlength,
  }: Props = $props();
  /** What was typed and is not in force: it stays, whatever else becomes of the plan, until it is saved or given up. */
  let typed = $state<string>();
  let refusal = $state('');

  async function put() {
    const mine = typed;
    if (mine === undefined) return;
    const answer = await onput(mine);
    if (typed !== mine) return;
    refusal = answer;
    if (!answer) typed = undefined;
  }

  function giveUp() {
    typed = undefined;
    refusal = '';
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.key !== 'Escape' || typed === undefined) return;
    giveUp();
    e.preventDefault();
    e.stopPropagation();
  }
</script>

<FieldFrame {label} {above} {after} {refusal}>
  {#snippet children(said)}
    <input
      class="small-field {look}"
      aria-label={name}
      aria-invalid={!!refusal}
      aria-describedby={said}
      {placeholder}
      {maxlength}
      bind:value={() => typed ?? value, (text) => (typed = text)}
      onchange={put}
      onblur={() => typed === value && giveUp()}
      {onkeydown}
    />
  {/snippet}
</FieldFrame>
