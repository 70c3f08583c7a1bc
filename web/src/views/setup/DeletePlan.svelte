<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Dialog from '../../lib/shell/Dialog.svelte';

  interface Props {
    plan: Schemas['PlanListed'];
    /** Told once the plan is gone: where all data lie as they were before. */
    ongone: (backup: string) => void;
  }

  let { plan, ongone }: Props = $props();
  let open = $state(false);
  let typed = $state('');
  let refusal = $state('');
  let busy = $state(false);

  async function remove(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    const query = { name: typed };
    const got = await answer(api.DELETE('/api/plans/{plan}', { params: { path: { plan: plan.id }, query } }));
    busy = false;
    refusal = got.ok ? '' : got.problem.detail;
    if (!got.ok) return;
    open = false;
    ongone(got.data.backup);
  }
</script>

<button class="underline" aria-label="Delete {plan.name}" onclick={() => (open = true)}>Delete</button>
<Dialog bind:open title="Delete '{plan.name}'">
  <form onsubmit={remove}>
    <p class="mb-2">
      The plan goes with its lines, statements, snapshots, scenarios and its log, and cannot be brought back by undo.
      All data are copied into a backup first. A plan in the archive keeps everything and is out of the way too.
    </p>
    <EntryField bind:value={typed} label="Its name, to be sure" above wide {refusal} autocomplete="off" />
    <div class="mt-3 flex gap-2">
      <Act main type="submit" disabled={busy || !typed.trim()}>{busy ? 'Copying all data…' : 'Delete the plan'}</Act>
      <Act onclick={() => (open = false)}>Keep it</Act>
    </div>
  </form>
</Dialog>
