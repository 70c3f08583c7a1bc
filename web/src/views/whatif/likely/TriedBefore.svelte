<script lang="ts">
  import { answer, api } from '../../../lib/api';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';

  interface Props {
    runs: number;
    weeks: number;
    seed: number;
  }

  let { runs, weeks, seed }: Props = $props();
  const plan = getPlan();
  const trial = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/simulation/trial', {
        params: { path: { plan: plan.id }, query: { runs, weeks, seed } },
        signal,
      }),
    );
  });
  const leads = $derived(trial.data?.leads ?? []);
  const tried = $derived(leads.reduce((sum, one) => sum + one.tried, 0));
  const within = $derived(leads.reduce((sum, one) => sum + one.within, 0));
</script>

<section class="card mt-3" aria-label="Tried on the past">
  <h2 class="font-semibold">
    Tried on the past
    <span class="hush font-normal">
      {#if trial.problem}{trial.problem.detail}
      {:else if !trial.data}the last weeks are drawn as they stood …
      {:else if tried}cash less drawings fell within the 8 of 10 in {within} of {tried}
      {:else}no forecast of the past is over yet
      {/if}
    </span>
  </h2>
  {#if leads.length}
    <div class="mt-1 flex flex-wrap gap-x-4 gap-y-1">
      {#each leads as one (one.lead)}
        <span class="whitespace-nowrap"><span class="hush">week {one.lead}</span> {one.within} of {one.tried}</span>
      {/each}
    </div>
  {/if}
</section>
