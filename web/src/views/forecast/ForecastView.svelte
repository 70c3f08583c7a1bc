<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { InAddress } from '../../lib/address.svelte';
  import { untrack } from 'svelte';
  import { answer, api, looking, type TableRow } from '../../lib/api';
  import { fullDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { PERIODS, type By, type TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import UnitSwitch from '../../lib/UnitSwitch.svelte';
  import BuoyList from './BuoyList.svelte';
  import CellPanel from './CellPanel.svelte';
  import ExportLinks from './ExportLinks.svelte';
  import ForecastGrid from './ForecastGrid.svelte';
  import LevelChart from './LevelChart.svelte';
  import Legend from './Legend.svelte';
  import SaveSnapshot from './SaveSnapshot.svelte';
  import { rowsShown, tableAfter, type Act as CellAct, type Shown, type Spot } from './rows';

  interface Props {
    time: TimeWindow;
  }

  let { time }: Props = $props();
  const plan = getPlan();
  const mode = new InAddress('as', 'movement', ['movement', 'level']);
  let spot = $state.raw<Spot>();
  let listing = $state(false);
  const figure = new InAddress('figure', '');
  const fold = new InAddress('folded', '');
  const folded = $derived(new Set(fold.value.split(' ').filter(Boolean)));

  const asked = $derived(`${time.by} ${time.from} ${time.to}`);
  $effect(() => {
    looking.table = asked;
    return () => (looking.table = '');
  });
  const loaded: Loaded<Shown> = new Loaded(async (signal) => {
    // A new version of the plan is a new question, which the edit that made it may have answered.
    const version = plan.version;
    const [by, from, to, question] = [time.by, time.from, time.to, asked];
    const changed = untrack(() => tableAfter(loaded.data, plan, question));
    if (changed) return { ok: true, data: { version, asked: question, table: changed } };
    const query = { by, from, to };
    const got = await answer(
      api.GET('/api/plans/{plan}/forecast', { params: { path: { plan: plan.id }, query }, signal }),
    );
    return got.ok ? { ok: true, data: { version, asked: question, table: got.data } } : got;
  });
  const table = $derived(loaded.data?.table);
  const NAMES: Record<By, string> = { DAY: 'Day', WEEK: 'Week', MONTH: 'Month', QUARTER: 'Quarter', YEAR: 'Year' };
  const rows = $derived(rowsShown(table?.rows ?? [], mode.value, folded));
  const marks = $derived(plan.view!.tide.marks);
  const least = $derived(`least headroom ${plan.money.short(marks.lowWaterHeadroom)} on ${fullDay(marks.lowWaterDay)}`);
  const verdict = $derived(
    marks.lowWaterHeadroom < 0
      ? `Short by ${plan.money.short(-marks.lowWaterHeadroom)} on ${fullDay(marks.lowWaterDay)}, the facility used up.`
      : marks.peakNeed > 0
        ? `Up to ${plan.money.short(marks.peakNeed)} below minimum cash; ${least}.`
        : `Never below minimum cash; ${least}.`,
  );

  function turnFold(row: TableRow) {
    const next = new Set(folded);
    if (!next.delete(row.id)) next.add(row.id);
    fold.value = [...next].join(' ');
  }

  function open(row: TableRow, column: number, act: CellAct, typed = '') {
    const period = table?.periods[column];
    if (!period) return;
    spot = { row: row.id, name: row.name, kind: row.kind, from: period.from, to: period.to, act, typed };
    figure.value = [row.id, period.from, period.to].join('~');
  }

  function leave() {
    spot = undefined;
    figure.value = '';
  }

  $effect(() => {
    // An address opens the figure that it says, once the table is there.
    const rows = table?.rows;
    untrack(() => {
      const [id, from, to] = figure.value.split('~');
      const row = rows?.find((one) => one.id === id);
      if (!spot && row && from && to)
        spot = { row: row.id, name: row.name, kind: row.kind, from, to, act: 'workings', typed: '' };
    });
  });
</script>

<div class="mb-2 flex h-[34px] items-center gap-[10px]">
  <h1>Forecast</h1>
  <span class="hush min-w-0 flex-1 truncate" title={verdict}>
    <span class={marks.lowWaterHeadroom < 0 ? 'bad' : ''}>{verdict}</span>
  </span>
  <UnitSwitch />
  <Segments
    label="Periods"
    options={PERIODS.map((by) => ({ value: by, name: NAMES[by] }))}
    value={time.by}
    onchoose={(by) => time.setBy(by)}
  />
  <Segments
    label="Show"
    options={[
      { value: 'movement', name: 'Movement' },
      { value: 'level', name: 'Level' },
    ]}
    value={mode.value}
    onchoose={(chosen) => (mode.value = chosen)}
  />
  <Act onclick={() => (listing = !listing)}>Buoys {plan.view?.buoys.length ?? 0}</Act>
  <ExportLinks {time} />
  <SaveSnapshot />
</div>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if table && table.periods.length === 0}
  <p>The window lies outside the forecast. Drag its handles back, or choose Week again.</p>
{:else if table}
  {#if mode.value === 'level'}
    <LevelChart from={time.from} to={time.to} />
  {/if}
  <ForecastGrid
    by={time.by}
    periods={table.periods}
    {rows}
    {folded}
    {spot}
    onfold={turnFold}
    onact={open}
    onleave={leave}
  />
  <Legend />
{/if}

{#if spot}
  {#key spot}
    <CellPanel {spot} onclose={leave} />
  {/key}
{:else if listing}
  <BuoyList onclose={() => (listing = false)} />
{/if}
