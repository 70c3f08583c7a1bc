<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { head } from '../../lib/grid/figures';
  import { getPlan } from '../../lib/plan.svelte';
  import PartsPanel from '../../lib/PartsPanel.svelte';
  import type { Place } from './rolls';

  interface Props {
    place: Place;
    onclose: () => void;
  }

  let { place, onclose }: Props = $props();
  const plan = getPlan();
  const when = $derived(head(place.period));
  const workings = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/roll-forwards/workings', {
        params: {
          path: { plan: plan.id },
          query: {
            kind: place.kind,
            row: place.row,
            from: place.period.from,
            to: place.period.to,
            ...(place.line ? { line: place.line } : {}),
          },
        },
        signal,
      }),
    );
  });
</script>

<PartsPanel title={place.name} sub="{when.name} {when.sub}" parts={workings} {onclose} />
