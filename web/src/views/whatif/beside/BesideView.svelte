<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import Act from '../../../lib/Act.svelte';
  import { answer, api } from '../../../lib/api';
  import { Loaded } from '../../../lib/loaded.svelte';
  import type { By, TimeWindow } from '../../../lib/place.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import FuturesTable from '../FuturesTable.svelte';
  import { InAddress } from '../../../lib/address.svelte';
  import FuturesChart from '../FuturesChart.svelte';
  import type { Scenario } from '../whatif';
  import { TABLES, toggled, type Offer, type Table } from './beside';
  import BesideTable from './BesideTable.svelte';
  import ChooseFutures from './ChooseFutures.svelte';

  interface Props {
    time: TimeWindow;
    scenarios: Scenario[];
  }

  let { time, scenarios }: Props = $props();
  const plan = getPlan();
  const futures = new InAddress('futures', '');
  const picked = $derived(futures.value ? futures.value.split(' ') : undefined);
  const reference = new InAddress('reference', 'base');
  const table = new InAddress<Table>(
    'table',
    'CASH',
    TABLES.map((one) => one.value),
  );
  const monthly = $derived(table.value !== 'CASH' && table.value !== 'FUNDING');
  const by = $derived<By>(monthly && (time.by === 'DAY' || time.by === 'WEEK') ? 'MONTH' : time.by);

  const others = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/snapshots', { params: { path: { plan: plan.id } }, signal }));
  });
  const plans = new Loaded((signal) => answer(api.GET('/api/plans', { signal })));
  const offers = $derived<Offer[]>([
    ...scenarios.map((one) => ({ asked: `scenario:${one.id}`, name: one.name, kind: 'scenario' as const })),
    ...(others.data ?? []).map((one) => ({ asked: `snapshot:${one.id}`, name: one.name, kind: 'snapshot' as const })),
    ...(plans.data ?? [])
      .filter((one) => one.id !== plan.id)
      .map((one) => ({ asked: `plan:${one.id}`, name: one.name, kind: 'plan' as const })),
  ]);
  const chosen = $derived(
    (picked ?? ['base', ...scenarios.slice(0, 3).map((one) => `scenario:${one.id}`)]).filter(
      (asked) => asked === 'base' || !others.data || offers.some((one) => one.asked === asked),
    ),
  );
  const query = $derived({
    future: chosen,
    reference: Math.max(0, chosen.indexOf(reference.value)),
    table: table.value,
    by,
    from: time.from,
    to: time.to,
  });
  const beside = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/side-by-side', { params: { path: { plan: plan.id }, query }, signal }));
  });
  const csv = $derived(
    `/api/plans/${plan.id}/side-by-side/csv?` +
      [
        ...chosen.map((one) => `future=${encodeURIComponent(one)}`),
        `reference=${query.reference}`,
        `table=${table.value}`,
        `by=${by}`,
        `from=${time.from}`,
        `to=${time.to}`,
      ].join('&'),
  );
</script>

<div class="mb-2 flex flex-wrap items-center gap-3">
  <ChooseFutures {offers} {chosen} onchoose={(asked) => (futures.value = toggled(chosen, asked).join(' '))} />
  <ChoiceField label="Compared by" bind:value={table.value} options={TABLES} />
  <ChoiceField
    label="against"
    class="max-w-[220px]"
    bind:value={reference.value}
    options={(beside.data?.futures ?? []).map((one) => ({ value: one.asked, name: one.name }))}
  />
  <span class="flex-1"></span>
  <Act href={csv}>Export CSV</Act>
</div>
{#if beside.problem}
  <Refusal words={beside.problem.detail} />
{:else if beside.data}
  <FuturesChart futures={beside.data.futures.map((one) => one.closing)} from={time.from} to={time.to} />
  <div class="mt-3">
    <FuturesTable
      columns={beside.data.futures.map((one, i) => ({
        key: one.asked,
        name: one.name,
        sub: i === query.reference ? 'the reference' : one.figures ? '' : 'as it was kept',
        figures: one.figures,
        difference: i === query.reference ? null : one.difference,
        chosen: i === query.reference,
      }))}
    />
    <BesideTable data={beside.data} table={table.value} {by} reference={query.reference} />
  </div>
{/if}
