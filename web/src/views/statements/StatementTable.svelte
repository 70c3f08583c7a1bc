<script lang="ts">
  import { InAddress } from '../../lib/address.svelte';
  import { answer, api } from '../../lib/api';
  import FigureGrid from '../../lib/grid/FigureGrid.svelte';
  import { Loaded } from '../../lib/loaded.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { columns, place, rows, type By, type Kind, type StatementPlace } from './statements';

  interface Props {
    time: TimeWindow;
    kind: Kind;
    label: string;
    by: By;
    /** Each figure with its share of sales, or of assets. */
    common: boolean;
    onopen: (place: StatementPlace) => void;
    onleave: () => void;
  }

  let { time, kind, label, by, common, onopen, onleave }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/statements', {
        params: { path: { plan: plan.id }, query: { kind, by, common, from: time.from, to: time.to } },
        signal,
      }),
    );
  });
  const fold = new InAddress('groups', '');
  const folded = $derived(new Set(fold.value.split(',').filter(Boolean)));

  function turn(group: string) {
    const next = new Set(folded);
    if (!next.delete(group)) next.add(group);
    fold.value = [...next].join(',');
  }
</script>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if loaded.data}
  <FigureGrid
    {label}
    rows={rows(loaded.data)}
    columns={columns(loaded.data)}
    onopen={(row, column) => onopen(place(kind, loaded.data!, row, column))}
    {onleave}
    {folded}
    onfold={turn}
    taken={280}
  />
{/if}
