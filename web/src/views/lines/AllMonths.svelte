<script lang="ts">
  import { tick } from 'svelte';
  import { answer, api } from '../../lib/api';
  import { monthName } from '../../lib/dates';
  import { blockText, GridCursor } from '../../lib/grid/cursor.svelte';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { Said } from '../../lib/said.svelte';
  import { readGrid } from './months';

  interface Props {
    direction: 'receipt' | 'payment';
  }

  let { direction }: Props = $props();
  const plan = getPlan();
  const said = new Said();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/months', {
        params: { path: { plan: plan.id }, query: { direction, months: 24 } },
        signal,
      }),
    );
  });
  const table = $derived(loaded.data);
  const cursor = new GridCursor(() => [table?.rows.length ?? 0, table?.months.length ?? 0]);
  let grid = $state<HTMLTableElement>();
  let editing = $state(false);
  let typed = $state('');

  async function focusCell() {
    await tick();
    if (!editing) grid?.querySelector<HTMLElement>('td[tabindex="0"]')?.focus();
  }

  /** Puts a block from a cell on as one edit; false, with the reason said, where it was refused. */
  async function put(text: string, top: number, left: number): Promise<boolean> {
    const read = readGrid(text, top, left, table!.rows.length, table!.months);
    if ('refusal' in read) return (said.now(read.refusal), false);
    const lines = read.lines.map(({ row, amounts }) => ({ lineId: table!.rows[row]!.id, amounts }));
    const problem =
      lines.length > 0 &&
      (await plan.edit((version) =>
        answer(
          api.PUT('/api/plans/{plan}/months', {
            params: { path: { plan: plan.id }, query: { version } },
            body: lines,
          }),
        ),
      ));
    said.now(problem ? problem.detail : '');
    return !problem;
  }

  /** Types the field's figure into its cell; what is refused stays in the field to be mended. */
  async function commit(next?: string) {
    const { row, column } = cursor;
    const text = typed;
    editing = false;
    if (next) {
      cursor.move(next);
      void focusCell();
    }
    if (await put(text, row, column)) return;
    cursor.set(row, column);
    typed = text;
    editing = true;
  }

  function onkeydown(e: KeyboardEvent) {
    if (editing || e.ctrlKey || e.metaKey || e.altKey) return;
    if (cursor.move(e.key, e.shiftKey)) void focusCell();
    else if (/^[\d.]$/.test(e.key)) {
      typed = e.key;
      editing = true;
    } else return;
    e.preventDefault();
  }

  function onfield(e: KeyboardEvent) {
    if (e.key === 'Enter') void commit('ArrowDown');
    else if (e.key === 'Tab') void commit(e.shiftKey ? 'ArrowLeft' : 'ArrowRight');
    else if (e.key === 'Escape') {
      editing = false;
      said.now('');
      void focusCell();
    } else return;
    e.preventDefault();
    e.stopPropagation();
  }

  function oncopy(e: ClipboardEvent) {
    if (editing) return;
    e.clipboardData?.setData(
      'text/plain',
      blockText(cursor.block, (r, c) => plan.money.decimal(table!.rows[r]?.amounts[c] ?? 0)),
    );
    e.preventDefault();
  }

  function onpaste(e: ClipboardEvent) {
    if (editing) return;
    e.preventDefault();
    void put(e.clipboardData?.getData('text/plain') ?? '', cursor.block.top, cursor.block.left);
  }

  function focus(field: HTMLInputElement) {
    field.focus();
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
  {#if said.words}<p class="bad mb-1" role="alert">{said.words}</p>{/if}
  {#if loaded.problem}<p class="bad" role="alert">{loaded.problem.detail}</p>{/if}
  {#if table && table.rows.length}
    <div class="overflow-auto" style="max-height:calc(100vh - 280px)">
      <table
        class="figures tight"
        role="grid"
        aria-label="All lines by month"
        bind:this={grid}
        {onkeydown}
        {oncopy}
        {onpaste}
      >
        <thead class="sticky top-0 z-[1] bg-sheet">
          <tr>
            <th class="words sticky left-0 bg-sheet" scope="col"></th>
            {#each table.months as month (month)}<th scope="col"
                >{monthName(month)}<small>{month.slice(0, 4)}</small></th
              >{/each}
          </tr>
        </thead>
        <tbody>
          {#each table.rows as row, r (row.id)}
            <tr>
              <th scope="row" class="words sticky left-0 bg-sheet">{row.name}</th>
              {#each row.amounts as minor, c (table.months[c])}
                <td
                  role="gridcell"
                  class="estimated relative {cursor.holds(r, c) ? 'selected' : ''}"
                  tabindex={cursor.row === r && cursor.column === c ? 0 : -1}
                  title={plan.money.sum(minor)}
                  onclick={() => {
                    if (editing) return;
                    cursor.set(r, c);
                    void focusCell();
                  }}
                >
                  {plan.money.cell(minor)}
                  {#if editing && cursor.row === r && cursor.column === c}
                    <!-- Laid over the cell, so that no column moves under the pointer while it opens and closes. -->
                    <input
                      class="small-field absolute top-0 right-0 z-[1] h-[25px] w-[92px] bg-sheet text-right not-italic"
                      aria-label="{row.name} in {table.months[c]}"
                      bind:value={typed}
                      {@attach focus}
                      onkeydown={onfield}
                      onblur={() => editing && void commit()}
                    />
                  {/if}
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {:else if table}
    <p class="hush">No line here is planned by month yet: add one first.</p>
  {/if}
</div>
