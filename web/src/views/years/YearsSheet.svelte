<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import FigureGrid from '../../lib/grid/FigureGrid.svelte';
  import type { FigureRow } from '../../lib/grid/figures';
  import { Loaded } from '../../lib/loaded.svelte';
  import PartsPanel from '../../lib/PartsPanel.svelte';
  import { getPlan, type Settings } from '../../lib/plan.svelte';
  import YearOverride from './YearOverride.svelte';
  import { canBeTypedOver, type YearsView } from './years';

  type Years = NonNullable<Settings['years']>;

  interface Props {
    view: YearsView;
    years: Years;
    sheet: string;
    label: string;
    onput: (how: (now: Years) => Years) => Promise<string>;
  }

  let { view, years, sheet, label, onput }: Props = $props();
  const plan = getPlan();
  /** A cash flow is not of the last year. */
  const skipped = $derived(sheet === 'cash-flow' ? 1 : 0);
  const columns = $derived(
    view.years.slice(skipped).map((year, i) => ({
      key: String(year.name),
      name: year.label,
      sub: `${i + skipped ? '' : 'last, '}to ${longDay(year.end)}`,
    })),
  );
  const rows = $derived(
    view.rows
      .filter((row) => row.sheet === sheet)
      .map((row) => ({
        key: row.id,
        name: row.name,
        style: row.style as FigureRow['style'],
        amounts: row.amounts.slice(skipped).map((one) => one ?? 0),
        base: row.base?.slice(skipped) ?? null,
        below: typedOver(row.id),
      })),
  );
  /** What stands below the figures of a row some of which are typed over. */
  function typedOver(row: string): string[] | undefined {
    const over = (years.overrides ?? []).filter((one) => one.row === row).map((one) => one.year);
    return over.length
      ? view.years.slice(skipped).map((year) => (over.includes(year.name) ? 'typed over' : ''))
      : undefined;
  }

  let opened = $state<{ row: string; name: string; year: number }>();
  const parts = new Loaded((signal) => {
    void plan.version;
    return opened
      ? answer(
          api.GET('/api/plans/{plan}/years/workings', {
            params: { path: { plan: plan.id }, query: { row: opened.row, year: opened.year } },
            signal,
          }),
        )
      : null;
  });
</script>

<FigureGrid
  {label}
  {rows}
  {columns}
  taken={230}
  onopen={(row, column) => (opened = { row: row.key, name: row.name, year: column + skipped })}
  onleave={() => (opened = undefined)}
/>
{#if opened}
  {@const year = view.years[opened.year]}
  {#if year && opened.year && canBeTypedOver(view, opened.row)}
    {#key `${opened.row} ${year.name}`}
      <YearOverride row={opened.row} name={opened.name} year={year.name} label={year.label} {years} {onput} />
    {/key}
  {/if}
  <PartsPanel
    title={opened.name}
    sub="in {view.years[opened.year]?.label}"
    {parts}
    onclose={() => (opened = undefined)}
  />
{/if}
