<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import type { Spot } from './rows';

  interface Props {
    spot: Spot;
    /** The buoy that lies there already. */
    buoy?: Schemas['BuoyView'];
    onclose: () => void;
  }

  let { spot, buoy, onclose }: Props = $props();
  const plan = getPlan();
  let note = $state(untrack(() => buoy?.note ?? ''));
  let refusal = $state('');

  async function submit(e: Event) {
    e.preventDefault();
    const { id, row, from, to } = buoy ?? { id: crypto.randomUUID(), row: spot.row, from: spot.from, to: spot.to };
    const json = { id, row, from, to, note };
    const problem = note.trim()
      ? await plan.edit((version) =>
          answer(
            api.PUT('/api/plans/{plan}/buoys/{id}', {
              params: { path: { plan: plan.id, id: json.id }, query: { version } },
              body: json,
            }),
          ),
        )
      : { detail: 'Say what to come back to: a buoy without a note is soon forgotten.' };
    if (problem) refusal = problem.detail;
    else onclose();
  }

  async function lift() {
    const id = buoy!.id;
    await plan.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/buoys/{id}', { params: { path: { plan: plan.id, id }, query: { version } } }),
      ),
    );
    onclose();
  }
</script>

<form onsubmit={submit}>
  <!-- The panel was opened to type here. -->
  <EntryField above label="Come back to this because" wide bind:value={note} autofocus />
  <Refusal words={refusal} class="mt-2" />
  <div class="mt-3 flex gap-2">
    <Act type="submit" main>{buoy ? 'Change the note' : 'Leave a buoy'}</Act>
    {#if buoy}<Act onclick={() => void lift()}>Lift it</Act>{/if}
    <Act onclick={onclose}>Close</Act>
  </div>
</form>
