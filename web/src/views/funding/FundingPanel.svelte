<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import PartsPanel from '../../lib/PartsPanel.svelte';
  import { getPlan } from '../../lib/plan.svelte';
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
          query: { row: place.row, from: place.from, to: place.to },
        },
        signal,
      }),
    );
  });
</script>

<PartsPanel title={place.name} sub="{longDay(place.from)} to {longDay(place.to)}" parts={workings} {onclose} />
