<script lang="ts">
  import { tick } from 'svelte';
  import type { TableRow, TableView } from '../../lib/api';
  import { blockText, GridCursor } from '../../lib/grid/cursor.svelte';
  import Room from '../../lib/grid/Room.svelte';
  import { RowsInSight } from '../../lib/grid/sight.svelte';
  import type { By } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { takesBase } from '../../lib/shell/views';
  import ForecastRow from './ForecastRow.svelte';
  import { canFold, heading, type Act, type Spot } from './rows';

  interface Props {
    by: By;
    periods: TableView['periods'];
    rows: TableRow[];
    folded: Set<string>;
    /** The figure whose panel is open. */
    spot?: Spot;
    onfold: (row: TableRow) => void;
    onact: (row: TableRow, column: number, act: Act, typed?: string) => void;
    onleave: () => void;
  }

  let { by, periods, rows, folded, spot, onfold, onact, onleave }: Props = $props();
  const plan = getPlan();
  const cursor = new GridCursor(() => [rows.length, periods.length]);
  let grid = $state<HTMLTableElement>();
  const buoys = $derived(plan.view!.buoys);
  const asOfColumn = $derived(periods.findIndex((period) => !period.settled));
  /** Rows that stay in sight at the foot while the lines scroll. */
  const FEET = ['net', 'closing', 'headroom'];
  const body = $derived(rows.flatMap((row, r) => (FEET.includes(row.kind) ? [] : [r])));
  const sight = new RowsInSight(() => body.length);
  /** What stands above and below the grid on the page. */
  const top = $derived((sight.frame?.offsetTop ?? 196) + 40);
  const drawn = $derived(body.slice(sight.first, sight.end));
  /** The row that the keys enter by: that of the cursor, or the first that is drawn. */
  const entered = $derived(
    FEET.includes(rows[cursor.row]?.kind ?? '') || drawn.includes(cursor.row) ? cursor.row : drawn[0],
  );

  /** Others see on which figure one is; nothing is said of a grid that nobody has entered. */
  function tellPlace() {
    const [row, period] = [rows[cursor.row], periods[cursor.column]];
    if (row && period) plan.live.look({ view: 'forecast', row: row.id, from: period.from, to: period.to });
  }

  async function focusCell() {
    const at = body.indexOf(cursor.row);
    if (at >= 0) sight.reach(at);
    tellPlace();
    await tick();
    grid?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }

  function key(e: KeyboardEvent): boolean {
    const row = rows[cursor.row];
    if (!row) return false;
    if (cursor.move(e.key, e.shiftKey)) {
      void focusCell();
      if (spot?.act === 'workings') onact(rows[cursor.row]!, cursor.column, 'workings');
    } else if (e.key === 'Enter') onact(row, cursor.column, 'workings');
    else if (e.key === 'Escape') onleave();
    else if (e.key === ' ' && canFold(row)) onfold(row);
    else if (/^[\d.]$/.test(e.key)) onact(row, cursor.column, 'override', e.key);
    else if (e.key === 'Delete') onact(row, cursor.column, 'lift');
    else if (e.key.toLowerCase() === 'b') onact(row, cursor.column, 'buoy');
    else return false;
    return true;
  }

  function onkeydown(e: KeyboardEvent) {
    const row = rows[cursor.row];
    if (takesBase(e) && (row?.kind === 'line' || row?.kind === 'group')) {
      void plan.takeBase(row.id);
      e.preventDefault();
    }
    if (e.altKey || e.metaKey || (e.ctrlKey && e.key !== 'Home' && e.key !== 'End')) return;
    if (key(e)) e.preventDefault();
  }

  /** What is copied is the full figure, whatever the eye sees. */
  function oncopy(e: ClipboardEvent) {
    const text = blockText(cursor.block, (r, c) => plan.money.decimal(rows[r]?.cells[c]?.amount ?? 0));
    e.clipboardData?.setData('text/plain', text);
    e.preventDefault();
  }

  function click(row: number, column: number) {
    cursor.set(row, column);
    void focusCell();
    onact(rows[row]!, column, 'workings');
  }
</script>

<div class="overflow-auto" style="max-height:calc(100vh - {top}px)" bind:this={sight.frame}>
  <table
    class="figures {plan.unit === 'thousand' && periods.length < 17
      ? 'table-fixed'
      : plan.unit === 'full'
        ? 'tight'
        : ''}"
    role="grid"
    aria-label="Forecast by period"
    aria-rowcount={rows.length + 1}
    bind:this={grid}
    {onkeydown}
    {oncopy}
  >
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words w-[190px]" scope="col">{plan.money.words}</th>
        {#each periods as period, i (period.from)}
          {@const [top, bottom] = heading(by, period)}
          <th scope="col" class={i === asOfColumn ? 'as-of' : ''}>{top}<small>{bottom}</small></th>
        {/each}
      </tr>
    </thead>
    <tbody>
      <Room height={sight.above} columns={periods.length + 1} />
      {#each drawn as r (rows[r]!.id)}{@render line(rows[r]!, r)}{/each}
      <Room height={sight.below} columns={periods.length + 1} />
    </tbody>
    <tfoot class="sticky bottom-0 z-[2] bg-sheet">
      {#each rows as row, r (row.id)}
        {#if FEET.includes(row.kind)}{@render line(row, r)}{/if}
      {/each}
    </tfoot>
  </table>
</div>

{#snippet line(row: TableRow, r: number)}
  <ForecastRow
    {row}
    {periods}
    {buoys}
    {asOfColumn}
    place={r + 2}
    folded={folded.has(row.id)}
    enteredBy={entered === r ? cursor.column : -1}
    holds={(column) => cursor.holds(r, column)}
    onfold={() => onfold(row)}
    onclick={(column) => click(r, column)}
  />
{/snippet}
