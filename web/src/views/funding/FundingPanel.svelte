<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import PartsList from '../../lib/PartsList.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import SidePanel from '../../lib/SidePanel.svelte';
  import type { FundingPlace } from './funding';

  interface Props {
    place: FundingPlace;
    onclose: () => void;
  }

  let { place, onclose }: Props = $props();
  const plan = getPlan();
  const workings = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/funding/workings', {
        params: {
          path: { plan: plan.id },
          query: { row: place.row, from: place.from as never, to: place.to as never },
        },
        signal,
      }),
    );
  });
</script>

<svelte:window onkeydown={(e) => e.key === 'Escape' && onclose()} />
<SidePanel title={place.name} sub="{longDay(place.from)} to {longDay(place.to)}" {onclose}>
  {#if workings.problem}
    <p role="alert" class="bad">{workings.problem.detail}</p>
  {:else if workings.data}
    {#if workings.data.length}
      <PartsList parts={workings.data} />
    {:else}
      <p class="hush">Nothing: no part of it is other than nil.</p>
    {/if}
  {/if}
</SidePanel>
