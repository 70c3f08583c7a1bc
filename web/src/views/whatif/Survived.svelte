<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    /** The scenario of which funding survives so much. */
    scenario: string;
  }

  let { scenario }: Props = $props();
  const plan = getPlan();
  const told = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/scenarios/{id}/survived', {
        params: { path: { plan: plan.id, id: scenario } },
        signal,
      }),
    );
  });
</script>

<span class="hush" role="status">
  {told.problem?.detail ?? told.data?.sentence ?? 'How much of it funding survives …'}
</span>
