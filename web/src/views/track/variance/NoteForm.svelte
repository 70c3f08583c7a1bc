<script lang="ts">
  import EntryField from '../../../lib/fields/EntryField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../../lib/Act.svelte';
  import Refusal from '../../../lib/Refusal.svelte';

  interface Props {
    /** What is explained: how it is called, and what was said of it. */
    row: { name: string; note: string };
    onsave: (note: string) => Promise<string>;
    onclose: () => void;
  }

  let { row, onsave, onclose }: Props = $props();
  let note = $state(untrack(() => row.note));
  let refusal = $state('');
  let field = $state<HTMLInputElement>();
  $effect(() => field?.focus());

  async function save() {
    refusal = await onsave(note);
    if (!refusal) onclose();
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'Enter') void save();
    else if (e.key === 'Escape') onclose();
    else return;
    e.preventDefault();
    e.stopPropagation();
  }
</script>

<div class="flex items-center gap-2">
  <EntryField
    label="Why {row.name} differs"
    wide
    name="Note on {row.name}"
    maxlength={10000}
    bind:field
    bind:value={note}
    {onkeydown}
  />
  <Act main onclick={() => void save()}>Keep</Act>
  <Act onclick={onclose}>Leave it</Act>
</div>
<Refusal words={refusal} />
