<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
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
  <p role="alert" class="bad">{loaded.problem.detail}</p>
{:else}
  <Waterfall bars={shown} label="Where the cash went, from opening to closing" />
{/if}
