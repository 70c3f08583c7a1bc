<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { answer, api } from '../../lib/api';
  import { head } from '../../lib/grid/figures';
  import { Loaded } from '../../lib/loaded.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import BridgeChart from './BridgeChart.svelte';
  import FlowChart from './FlowChart.svelte';
  import type { By } from './statements';

  interface Props {
    time: TimeWindow;
    by: By;
  }

  let { time, by }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/statements', {
        params: {
          path: { plan: plan.id },
          query: { kind: 'cash-direct', by, from: time.from, to: time.to, years: false },
        },
        signal,
      }),
    );
  });
  const ratios = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/statements/ratios', { params: { path: { plan: plan.id }, query: { by } }, signal }),
    );
  });
  const view = $derived(loaded.data);
  let chosen = $state(0);
  const at = $derived(view ? Math.min(chosen, view.periods.length - 1) : 0);
  const of = (id: string) => view?.rows.find((row) => row.id === id)?.amounts ?? [];
  const heads = $derived(view?.periods.map(head) ?? []);
  const burning = $derived.by(() => {
    const [burn, runway] = ['burn', 'runway'].map((id) => ratios.data?.ratios.find((one) => one.id === id));
    const first = burn?.values.findIndex((value) => value !== '') ?? -1;
    if (!burn || !runway || first < 0) return '';
    const period = ratios.data!.periods.map(head)[first]!;
    return `${plan.money.sum(Number(burn.values[first]))} a month is burnt up to the end of ${period.name} ${period.sub}: cash would last ${runway.values[first] || 'as long as it is not burnt'} months at that rate.`;
  });
</script>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if view}
  <FlowChart columns={heads} net={of('net')} cash={of('cash-at-end')} chosen={at} onchoose={(i) => (chosen = i)} />
  {#if burning}<p class="my-2">{burning}</p>{/if}
  <div class="my-2">
    <ChoiceField
      label="Where the cash went in"
      name="Period of the chart"
      bind:value={chosen}
      options={heads.map((column, i) => ({ value: i, name: `${column.name} ${column.sub}` }))}
    />
  </div>
  {#if view.periods[at]}<BridgeChart from={view.periods[at].from} to={view.periods[at].to} />{/if}
{/if}
