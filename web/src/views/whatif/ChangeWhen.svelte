<script lang="ts">
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { canRamp, heldAt, typedWhen, when, type Change } from './whatif';
  import WhenFields from './WhenFields.svelte';

  interface Props {
    change: Change;
    /** Puts the change as it is then; gives the refusal, or nothing. */
    onput: (change: Change) => Promise<string>;
    onclose: () => void;
  }

  let { change, onput, onclose }: Props = $props();
  let typed = $state(untrack(() => typedWhen(change)));
  let refusal = $state('');
  const ramps = $derived(canRamp(change.act.kind));

  async function put(e: SubmitEvent) {
    e.preventDefault();
    const at = when(typed, ramps);
    refusal = typeof at === 'string' ? at : await onput(heldAt(change, at));
    if (!refusal) onclose();
  }
</script>

<form class="flex flex-wrap items-end gap-2 py-1" onsubmit={(e) => void put(e)} aria-label="When the change holds">
  <WhenFields bind:typed {ramps} />
  <Act type="submit">Save</Act>
  <button type="button" class="underline" onclick={onclose}>as it was</button>
  <Refusal words={refusal} class="w-full" />
</form>
