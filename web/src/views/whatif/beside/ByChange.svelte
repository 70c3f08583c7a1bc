<script lang="ts">
  import { answer, api, type Schemas } from '../../../lib/api';
  import { Loaded } from '../../../lib/loaded.svelte';
  import PartsPanel from '../../../lib/PartsPanel.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import { periodWords } from '../../forecast/rows';
  import type { BesideRow, Table } from './beside';

  interface Props {
    scenario: string;
    name: string;
    table: Table;
    row: BesideRow;
    period: Schemas['PeriodView'];
    onclose: () => void;
  }

  let { scenario, name, table, row, period, onclose }: Props = $props();
  const plan = getPlan();
  const parts = new Loaded(async (signal) => {
    void plan.version;
    const got = await answer(
      api.GET('/api/plans/{plan}/side-by-side/changes', {
        params: {
          path: { plan: plan.id },
          query: { scenario, table, row: row.id, from: period.from, to: period.to },
        },
        signal,
      }),
    );
    return got.ok
      ? {
          ...got,
          data: got.data
            .filter((one) => one.moves)
            .map((one) => ({ what: `${one.target} ${one.act}`, because: one.range, minor: one.moves })),
        }
      : got;
  });
</script>

<PartsPanel
  title="{row.name}: what makes the difference"
  sub="{name}, {periodWords(period.from, period.to)}"
  {parts}
  {onclose}
/>
