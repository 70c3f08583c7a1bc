<script lang="ts">
  import { InAddress } from '../../lib/address.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { noAmount, readAmount } from '../../lib/money';
  import { PERIODS, type By, type TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import UnitSwitch from '../../lib/UnitSwitch.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import AddFunding from './AddFunding.svelte';
  import CostCard from './CostCard.svelte';
  import CovenantsCard from './CovenantsCard.svelte';
  import FundingChart from './FundingChart.svelte';
  import FundingGrid from './FundingGrid.svelte';
  import { type FundingPlace } from './funding';
  import FundingPanel from './FundingPanel.svelte';
  import MoveStrip from './MoveStrip.svelte';
  import FundingRules from './FundingRules.svelte';

  interface Props {
    time: TimeWindow;
  }

  let { time }: Props = $props();
  const plan = getPlan();
  const by = new InAddress<By>('per', 'MONTH', PERIODS);
  const cushion = new InAddress('cushion', '0');
  let adding = $state(false);
  let place = $state.raw<FundingPlace>();
  const NAMES: Record<By, string> = { DAY: 'Day', WEEK: 'Week', MONTH: 'Month', QUARTER: 'Quarter', YEAR: 'Year' };
  const span = $derived(time.ahead(by.value));

  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/funding', {
        params: {
          path: { plan: plan.id },
          query: { by: by.value, from: span.from, to: span.to, cushion: cushion.value },
        },
        signal,
      }),
    );
  });
  const view = $derived(loaded.data);
  const got = $derived(view?.answer);

  function setCushion(typed: string): string {
    const read = readAmount(typed || '0');
    if (read === null || read.startsWith('-')) return noAmount(typed);
    cushion.value = read;
    return '';
  }
</script>

<div class="mb-2 flex min-h-[34px] flex-wrap items-center gap-3">
  <h1>Funding</h1>
  <span class="flex-1 {got?.shortfall ? 'bad' : 'hush'}">{got?.sentence ?? ''}</span>
  <Segments
    label="Periods"
    options={PERIODS.map((value) => ({ value, name: NAMES[value] }))}
    value={by.value}
    onchoose={(chosen) => (by.value = chosen)}
  />
  <UnitSwitch />
  <Act main onclick={() => (adding = !adding)}>Add facility, loan, lease or deposit</Act>
</div>
{#if adding}<AddFunding onclose={() => (adding = false)} />{/if}
{#if view && got}
  <div class="mb-3 grid grid-cols-[1fr_340px] gap-3">
    <FundingChart {view} />
    <section class="card space-y-1.5" aria-label="Is it enough">
      <b class="font-semibold">Is it enough?</b>
      <p>
        Most that is needed <b>{plan.money.sum(got.peakNeed)}</b>, of it drawn today {plan.money.sum(got.drawnNow)}.
      </p>
      <p>
        Limits of <b>{plan.money.sum(got.least)}</b> at the least would do,
        <TypedField
          label="with a cushion of"
          class="w-[90px] text-right"
          value={cushion.value === '0' ? '' : cushion.value}
          placeholder="0"
          onput={setCushion}
        />
      </p>
      {#if got.shortfall}<p class="bad">Missing at worst {plan.money.sum(got.shortfall)}.</p>{/if}
      <FundingRules />
    </section>
  </div>
  <MoveStrip />
  <CovenantsCard />
  <CostCard />
  <FundingGrid {view} onopen={(at) => (place = at)} />
{:else if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{/if}
{#if place}
  <FundingPanel {place} onclose={() => (place = undefined)} />
{/if}
