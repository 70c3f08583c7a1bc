<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Dialog from '../../lib/shell/Dialog.svelte';

  const plan = getPlan();
  let open = $state(false);
  let name = $state('');
  let note = $state('');
  let refusal = $state('');

  function ask() {
    name = `Forecast of ${longDay(plan.view!.tide.asOf)}`;
    note = '';
    refusal = '';
    open = true;
  }

  async function submit(e: Event) {
    e.preventDefault();
    const problem = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/snapshots', {
          params: { path: { plan: plan.id }, query: { version } },
          body: { name, note },
        }),
      ),
    );
    if (problem) refusal = problem.detail;
    else open = false;
  }
</script>

<Act main onclick={ask}>Save snapshot</Act>
<Dialog bind:open title="Save snapshot">
  <form onsubmit={submit}>
    <p class="hush mb-2">
      Keeps the forecast as it stands, to be held against what happens. It never changes afterwards.
    </p>
    <div class="mb-2"><EntryField above label="Name" wide bind:value={name} maxlength={200} /></div>
    <EntryField above label="Note" wide bind:value={note} />
    <Refusal words={refusal} class="mt-2" />
    <div class="mt-3 flex gap-2">
      <Act type="submit" main>Save</Act>
      <Act onclick={() => (open = false)}>Leave it</Act>
    </div>
  </form>
</Dialog>
