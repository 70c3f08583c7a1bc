<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { InAddress } from '../../lib/address.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import Segments from '../../lib/Segments.svelte';
  import UnitSwitch from '../../lib/UnitSwitch.svelte';
  import AgainstChoice from './against/AgainstChoice.svelte';
  import AgainstTable from './against/AgainstTable.svelte';
  import CashCharts from './CashCharts.svelte';
  import OpeningSheet from './opening/OpeningSheet.svelte';
  import RatioTable from './RatioTable.svelte';
  import RollForwards from './RollForwards.svelte';
  import StatementPanel from './StatementPanel.svelte';
  import StatementTable from './StatementTable.svelte';
  import LedgerPart from './ledger/LedgerPart.svelte';
  import { isYearsOnly } from '../years/years';
  import YearsPart from '../years/YearsPart.svelte';
  import { CSV, LENGTHS, SHOWN, type By, type Kind, type Shown, type StatementPlace } from './statements';

  interface Props {
    time: TimeWindow;
  }

  let { time }: Props = $props();
  const shown = new InAddress<Shown>(
    'sheet',
    'income',
    SHOWN.map((one) => one.value),
  );
  const by = new InAddress<By>(
    'per',
    'MONTH',
    LENGTHS.map((one) => one.value),
  );
  const common = new InAddress('percent', 'no', ['no', 'yes']);
  /** The snapshot that income statement and balance sheet are held against, empty for none. */
  const against = new InAddress('against', '');
  const plan = getPlan();
  const isHeld = $derived(shown.value === 'income' || shown.value === 'balance');
  const yearsOnly = $derived(isYearsOnly(plan.settings, plan.view?.lines.length ?? 1));
  /** What is shown as a file, by what it is called there; a link has no headers to say what is looked at. */
  const csv = $derived.by(() => {
    const show = CSV[shown.value];
    if (!show || (show === 'years' && !plan.settings.years)) return '';
    const scenario = plan.view?.shown ? `&scenario=${encodeURIComponent(plan.view.shown.id)}` : '';
    return `/api/plans/${plan.id}/statements/csv?show=${show}&by=${by.value}&from=${time.from}&to=${time.to}${scenario}`;
  });
  let place = $state<StatementPlace>();
  const leave = () => (place = undefined);
</script>

{#snippet held()}
  <AgainstChoice value={against.value} onchoose={(id) => (against.value = id)} />
{/snippet}

{#snippet table(kind: Kind, label: string, shares: boolean)}
  <StatementTable {time} {kind} {label} by={by.value} common={shares} onopen={(at) => (place = at)} onleave={leave} />
{/snippet}

<div class="mb-2 flex h-[34px] items-center gap-3">
  <h1>Statements</h1>
  <Segments
    tabs
    label="What is shown"
    options={yearsOnly ? SHOWN.filter((one) => one.value === 'years') : SHOWN}
    value={shown.value}
    onchoose={(value) => {
      shown.value = value;
      leave();
    }}
  />
  <span class="flex-1"></span>
  {#if !['opening', 'years', 'ledger'].includes(shown.value)}
    <Segments label="Length of a period" options={LENGTHS} value={by.value} onchoose={(value) => (by.value = value)} />
  {/if}
  {#if csv && !(against.value && isHeld)}<Act href={csv}>Export CSV</Act>{/if}
  <UnitSwitch />
</div>
{#if isHeld && !against.value}
  <div class="mb-2 flex items-center gap-3">
    {@render held()}
    <label class="hush"
      ><input
        type="checkbox"
        class="mr-1"
        checked={common.value === 'yes'}
        onchange={(e) => (common.value = e.currentTarget.checked ? 'yes' : 'no')}
      />in percent</label
    >
  </div>
{/if}
{#if against.value && isHeld}
  <AgainstTable
    kind={shown.value === 'income' ? 'income' : 'balance'}
    label={shown.value === 'income' ? 'Income statement' : 'Balance sheet'}
    by={by.value}
    snapshot={against.value}
    lead={held}
  />
{:else if shown.value === 'income'}
  {@render table('income', 'Income statement', common.value === 'yes')}
{:else if shown.value === 'balance'}
  {@render table('balance', 'Balance sheet', common.value === 'yes')}
{:else if shown.value === 'cash'}
  <div class="grid grid-cols-2 gap-4">
    <section aria-label="Direct">
      <h2 class="mb-1 font-semibold">Direct: what lines receive and pay</h2>
      {@render table('cash-direct', 'Cash flow, direct', false)}
    </section>
    <section aria-label="Indirect">
      <h2 class="mb-1 font-semibold">Indirect: from profit to cash</h2>
      {@render table('cash-indirect', 'Cash flow, indirect', false)}
    </section>
  </div>
{:else if shown.value === 'charts'}
  <CashCharts {time} by={by.value} />
{:else if shown.value === 'ratios'}
  <RatioTable {time} by={by.value} />
{:else if shown.value === 'years'}
  <YearsPart />
{:else if shown.value === 'rolls'}
  <RollForwards {time} by={by.value} />
{:else if shown.value === 'ledger'}
  <LedgerPart />
{:else}
  <OpeningSheet />
{/if}
{#if place}
  <StatementPanel {place} onclose={leave} />
{/if}
