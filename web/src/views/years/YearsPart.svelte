<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { InAddress } from '../../lib/address.svelte';
  import { answer, api } from '../../lib/api';
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import BeginYears from './BeginYears.svelte';
  import DriverGrid from './DriverGrid.svelte';
  import LastYearPart from './LastYearPart.svelte';
  import NeedPart from './NeedPart.svelte';
  import YearsRules from './YearsRules.svelte';
  import YearsSheet from './YearsSheet.svelte';
  import { isYearsOnly, PARTS, withLast, type LastYear, type YearsPart } from './years';

  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/years', { params: { path: { plan: plan.id } }, signal }));
  });
  const view = $derived(loaded.data);
  const years = $derived(plan.settings.years);
  const parts = $derived(PARTS.filter((one) => one.value !== 'last' || years?.lastYear));
  const part = new InAddress<YearsPart>(
    'years',
    'drivers',
    PARTS.map((one) => one.value),
  );
  const shown = $derived(parts.some((one) => one.value === part.value) ? part.value : 'drivers');
  let refusal = $state('');

  type Years = NonNullable<typeof years>;

  async function change(how: (now: Years) => Years): Promise<string> {
    const refused = await plan.putSettings((now) => ({ ...now, years: how(now.years as Years) }));
    return refused?.detail ?? '';
  }

  async function out() {
    const refused = await plan.putSettings(({ years: _was, ...now }) => now);
    refusal = refused?.detail ?? '';
  }

  const putLast = (how: (last: LastYear) => LastYear) =>
    change((now) => (now.lastYear ? withLast(now, how(now.lastYear), view?.kinds ?? []) : now));
</script>

<Refusal words={loaded.problem?.detail} />
<Refusal words={refusal} class="mb-2" />
{#if view && !view.there}
  <BeginYears {view} />
{:else if view && years}
  <div class="mb-2 flex items-center gap-3">
    <Segments
      tabs
      label="What is shown of the years"
      options={parts}
      value={shown}
      onchoose={(value) => (part.value = value)}
    />
    <span class="hush flex-1">
      {years.lastYear ? 'From a last year of their own.' : 'After the last twelve months planned.'}
      {view.years.flatMap((one) => one.remarks.map((remark) => `${one.label}: ${remark}.`)).join(' ')}
    </span>
    <ChoiceField
      label="Years"
      name="Number of years"
      value={years.count}
      options={Array.from({ length: 20 }, (_, i) => i + 1)}
      onput={(count) => change((now) => ({ ...now, count }))}
    />
    {#if isYearsOnly(plan.settings, plan.view?.lines.length ?? 1)}
      <Act href="#/plan/{plan.id}/receipts">Plan by month too</Act>
    {/if}
    <Act onclick={() => void out()}>Take out</Act>
  </div>
  {#if shown === 'drivers'}
    <DriverGrid {view} />
    <YearsRules {view} {years} onput={change} />
  {:else if shown === 'need'}
    <NeedPart {view} />
  {:else if shown === 'last' && years.lastYear}
    <LastYearPart {view} last={years.lastYear} onput={putLast} />
  {:else}
    <YearsSheet {view} {years} sheet={shown} label={PARTS.find((one) => one.value === shown)!.name} onput={change} />
  {/if}
{/if}
