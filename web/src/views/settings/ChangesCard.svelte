<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';

  const plan = getPlan();
  const changes = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/changes', { params: { path: { plan: plan.id } }, signal }));
  });
  const STATES: Record<string, string> = {
    DONE: '',
    UNDONE: 'undone',
    REPLACED: 'undone, then replaced',
    CARRIED: 'before the file',
  };
</script>

<section class="card" aria-label="Changes">
  <b class="font-semibold">Changes</b>
  <table class="figures mt-1">
    <thead>
      <tr
        ><th class="words" scope="col">When</th><th class="words" scope="col">Who</th><th class="words" scope="col"
          >What</th
        ><th class="words" scope="col"></th></tr
      >
    </thead>
    <tbody>
      {#each changes.data ?? [] as change (change.seq)}
        <tr class={change.state === 'DONE' || change.state === 'CARRIED' ? '' : 'hush line-through'}>
          <td class="words">{change.madeAt.slice(0, 16).replace('T', ' ')}</td>
          <td class="words">{change.author}</td>
          <td class="words max-w-[300px] overflow-hidden text-ellipsis" title={change.words}>{change.words}</td>
          <td class="words">{STATES[change.state]}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if changes.data?.length === 0}<p class="hush mt-1">
      No edit yet. Each one will stand here, and can be undone.
    </p>{/if}
</section>
