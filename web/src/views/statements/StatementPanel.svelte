<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { fullDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import PartsPanel from '../../lib/PartsPanel.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import type { StatementPlace } from './statements';

  interface Props {
    place: StatementPlace;
    onclose: () => void;
  }

  let { place, onclose }: Props = $props();
  const plan = getPlan();
  const workings = new Loaded((signal) => {
    void plan.version;
    const { kind, row, from, to } = place;
    return answer(
      api.GET('/api/plans/{plan}/statements/workings', {
        params: { path: { plan: plan.id }, query: { kind, row, ...(from && to ? { from, to } : {}) } },
        signal,
      }),
    );
  });
  const sub = $derived(
    !place.from
      ? 'Opening balance sheet'
      : place.kind === 'balance'
        ? `at the end of ${fullDay(place.to!)}`
        : `${fullDay(place.from)} to ${fullDay(place.to!)}`,
  );
</script>

<PartsPanel title={place.name} {sub} parts={workings} {onclose} />
