<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { monthName } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import PartsPanel from '../../lib/PartsPanel.svelte';
  import type { Place } from './rolls';

  interface Props {
    place: Place;
    onclose: () => void;
  }

  let { place, onclose }: Props = $props();
  const plan = getPlan();
  const workings = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/roll-forwards/workings', {
        params: {
          path: { plan: plan.id },
          query: {
            kind: place.kind,
            row: place.row,
            month: place.month,
            ...(place.line ? { line: place.line } : {}),
          },
        },
        signal,
      }),
    );
  });
</script>

<PartsPanel title={place.name} sub="{monthName(place.month)} {place.month.slice(0, 4)}" parts={workings} {onclose} />
