<script lang="ts">
  import { answer, api } from '../../../lib/api';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import Segments from '../../../lib/Segments.svelte';
  import CostsCard from './CostsCard.svelte';
  import ErrorChart from './ErrorChart.svelte';
  import ErrorTable from './ErrorTable.svelte';
  import RecordChart from './RecordChart.svelte';

  const plan = getPlan();
  let by = $state<'WEEK' | 'MONTH'>('WEEK');
  let of = $state<'lines' | 'parties'>('lines');
  let rowId = $state('receipts');
  let lead = $state(1);

  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/accuracy', {
        params: { path: { plan: plan.id }, query: { by, row: rowId, lead } },
        signal,
      }),
    );
  });
  const data = $derived(loaded.data);
  const unit = $derived(by === 'WEEK' ? 'week' : 'month');
  const rows = $derived((of === 'lines' ? data?.rows : data?.parties) ?? []);
  const chosen = $derived(data?.chosen ?? undefined);
</script>

<div class="mb-2 flex items-center gap-3">
  {#if data}
    <span class="hush flex-1"
      >{data.snapshots}
      {data.snapshots === 1 ? 'forecast' : 'forecasts'} measured, up to {data.leads}
      {unit}s ahead.
      {#if data.tried}
        Closing cash fell within the band {data.covered} times of {data.tried}; the band means to hold 8 of 10.
      {:else}
        A band needs {data.fewest} forecasts whose {unit} is over.
      {/if}</span
    >
  {/if}
  <Segments
    label="Rows"
    options={[
      { value: 'lines', name: 'Lines' },
      { value: 'parties', name: 'Counterparties' },
    ]}
    value={of}
    onchoose={(to) => (of = to)}
  />
  <Segments
    label="Ahead by"
    options={[
      { value: 'WEEK', name: 'Weeks' },
      { value: 'MONTH', name: 'Months' },
    ]}
    value={by}
    onchoose={(to) => {
      by = to;
      lead = 1;
    }}
  />
</div>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if data && data.leads === 0}
  <p class="card max-w-[640px]">
    No {unit} after a snapshot is over yet: the record begins when facts cover a whole one.
  </p>
{:else if data}
  <div class="grid grid-cols-[1fr_300px] items-start gap-4">
    <div>
      {#if chosen}
        <div class="grid grid-cols-2 gap-3">
          <ErrorChart row={chosen} {unit} {lead} onlead={(to) => (lead = to)} />
          <RecordChart points={data.record} name={chosen.name} {unit} {lead} />
        </div>
      {/if}
      <ErrorTable {rows} leads={data.leads} {unit} chosen={rowId} onchoose={(id) => (rowId = id)} />
    </div>
    <CostsCard {data} {unit} onchoose={(id) => ((of = 'lines'), (rowId = id))} />
  </div>
{/if}
