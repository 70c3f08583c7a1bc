<script lang="ts">
  import type { TimeWindow } from '../../lib/place.svelte';
  import Segments from '../../lib/Segments.svelte';
  import UnitSwitch from '../../lib/UnitSwitch.svelte';
  import CashCharts from './CashCharts.svelte';
  import LongRange from './LongRange.svelte';
  import OpeningSheet from './opening/OpeningSheet.svelte';
  import RatioTable from './RatioTable.svelte';
  import RollForwards from './RollForwards.svelte';
  import StatementPanel from './StatementPanel.svelte';
  import StatementTable from './StatementTable.svelte';
  import { LENGTHS, SHOWN, type By, type Kind, type Shown, type StatementPlace } from './statements';

  interface Props {
    time: TimeWindow;
  }

  let { time }: Props = $props();
  let shown = $state<Shown>('income');
  let by = $state<By>('MONTH');
  let common = $state(false);
  let place = $state<StatementPlace>();
  const leave = () => (place = undefined);
</script>

{#snippet table(kind: Kind, label: string, shares: boolean)}
  <StatementTable {time} {kind} {label} {by} common={shares} onopen={(at) => (place = at)} onleave={leave} />
{/snippet}

<div class="mb-2 flex h-[34px] items-center gap-3">
  <h1>Statements</h1>
  <Segments
    tabs
    label="What is shown"
    options={SHOWN}
    value={shown}
    onchoose={(value) => {
      shown = value;
      leave();
    }}
  />
  <span class="flex-1"></span>
  {#if shown === 'income' || shown === 'balance'}
    <label class="hush"><input type="checkbox" class="mr-1" bind:checked={common} />in percent</label>
  {/if}
  {#if !['opening', 'years'].includes(shown)}
    <Segments label="Length of a period" options={LENGTHS} value={by} onchoose={(value) => (by = value)} />
  {/if}
  <UnitSwitch />
</div>
{#if shown === 'income'}
  {@render table('income', 'Income statement', common)}
{:else if shown === 'balance'}
  {@render table('balance', 'Balance sheet', common)}
{:else if shown === 'cash'}
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
{:else if shown === 'charts'}
  <CashCharts {time} {by} />
{:else if shown === 'ratios'}
  <RatioTable {time} {by} />
{:else if shown === 'years'}
  <LongRange />
{:else if shown === 'rolls'}
  <RollForwards {time} {by} />
{:else}
  <OpeningSheet />
{/if}
{#if place}
  <StatementPanel {place} onclose={leave} />
{/if}
