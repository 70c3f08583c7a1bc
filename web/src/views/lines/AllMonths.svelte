<script lang="ts">
  import { answer, api } from '../../lib/api';
  import CellField from '../../lib/grid/CellField.svelte';
  import Room from '../../lib/grid/Room.svelte';
  import { RowsInSight } from '../../lib/grid/sight.svelte';
  import { TypedGrid } from '../../lib/grid/typed.svelte';
  import { Loaded } from '../../lib/loaded.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { readGrid, withYears } from './months';

  interface Props {
    direction: 'receipt' | 'payment';
    time: TimeWindow;
  }

  let { direction, time }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/months', {
        params: {
          path: { plan: plan.id },
          query: { direction: direction === 'receipt' ? 'RECEIPT' : 'PAYMENT', ...time.ahead('MONTH') },
        },
        signal,
      }),
    );
  });
  const table = $derived(loaded.data);
  const columns = $derived(table ? withYears(table) : []);
  const sight = new RowsInSight(() => table?.rows.length ?? 0);
  const grid = new TypedGrid({
    size: () => [table?.rows.length ?? 0, table?.months.length ?? 0],
    text: (row, column) => plan.money.decimal(table?.rows[row]?.amounts[column] ?? 0),
    put,
    begins: /^[\d.]$/,
    reach: (row) => sight.reach(row),
  });
  /** The row that the keys enter by: that of the cursor, or the first that is drawn. */
  const entered = $derived(sight.draws(grid.cursor.row) ? grid.cursor.row : sight.first);

  /** Puts a block from a cell on as one edit; empty cells leave what stands there. */
  async function put(text: string, top: number, left: number): Promise<string> {
    const read = readGrid(text, top, left, table!.rows.length, table!.months);
    if ('refusal' in read) return read.refusal;
    const lines = read.lines.map(({ row, amounts }) => ({ lineId: table!.rows[row]!.id, amounts }));
    if (!lines.length) return '';
    const refused = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/months', {
          params: { path: { plan: plan.id }, query: { version } },
          body: lines,
        }),
      ),
    );
    return refused?.detail ?? '';
  }
</script>

<div class="card">
  <div class="mb-1 flex items-baseline gap-3">
    <b class="font-semibold">All lines by month</b>
    <span class="hush flex-1"
      >type, or paste a block from a spreadsheet: a figure typed here stands for its month, what the line was before is
      put aside</span
    >
    <span class="hush">{plan.money.words}</span>
  </div>
  <Refusal words={grid.refusal} class="mb-1" />
  <Refusal words={loaded.problem?.detail} />
  {#if table && table.rows.length}
    <div class="overflow-auto" style="max-height:calc(100vh - 280px)" bind:this={sight.frame}>
      <table
        class="figures tight"
        role="grid"
        aria-label="All lines by month"
        aria-rowcount={table.rows.length + 1}
        bind:this={grid.table}
        onkeydown={(e) => grid.keydown(e)}
        oncopy={(e) => grid.copy(e)}
        onpaste={(e) => void grid.paste(e)}
      >
        <thead class="sticky top-0 z-[1] bg-sheet">
          <tr>
            <th class="words sticky left-0 bg-sheet" scope="col"></th>
            {#each columns as column (column.key)}<th scope="col">{column.name}<small>{column.sub}</small></th>{/each}
          </tr>
        </thead>
        <tbody>
          <Room height={sight.above} columns={columns.length + 1} />
          {#each table.rows.slice(sight.first, sight.end) as row, i (row.id)}
            {@const r = sight.first + i}
            <tr data-drawn aria-rowindex={r + 2}>
              <th scope="row" class="words sticky left-0 bg-sheet">{row.name}</th>
              {#each columns as { key, month: c, year } (key)}
                {#if c === undefined}
                  <td class="estimated bg-foam" title={plan.money.sum(row.years[year!]!)}
                    >{plan.money.cell(row.years[year!]!)}</td
                  >
                {:else}
                  <td
                    role="gridcell"
                    class="estimated relative {grid.cursor.holds(r, c) ? 'selected' : ''}"
                    tabindex={entered === r && grid.cursor.column === c ? 0 : -1}
                    title={plan.money.sum(row.amounts[c]!)}
                    onmousedown={() => grid.choose(r, c)}
                    ondblclick={() => grid.start(r, c)}
                  >
                    {plan.money.cell(row.amounts[c]!)}
                    {#if grid.isEditing(r, c)}
                      <CellField {grid} label="{row.name} in {table.months[c]}" class="w-[92px]" />
                    {/if}
                  </td>
                {/if}
              {/each}
            </tr>
          {/each}
          <Room height={sight.below} columns={columns.length + 1} />
        </tbody>
      </table>
    </div>
  {:else if table}
    <p class="hush">No line here is planned by month yet: add one first.</p>
  {/if}
</div>
