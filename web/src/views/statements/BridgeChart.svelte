<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Waterfall from '../../lib/Waterfall.svelte';
  import { bars } from './charts';

  let { from, to }: { from: string; to: string } = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/statements/bridge', {
        params: { path: { plan: plan.id }, query: { from, to } },
        signal,
      }),
    );
  });
  const shown = $derived(loaded.data ? bars(loaded.data) : []);
</script>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else}
  <Waterfall bars={shown} label="Where the cash went, from opening to closing" />
{/if}
