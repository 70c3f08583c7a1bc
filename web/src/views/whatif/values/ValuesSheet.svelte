<script lang="ts">
  import { answer, api, type Schemas } from '../../../lib/api';
  import Differs from '../../../lib/grid/Differs.svelte';
  import { longDay } from '../../../lib/dates';
  import CellField from '../../../lib/grid/CellField.svelte';
  import { cellsOf, TypedGrid } from '../../../lib/grid/typed.svelte';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import { letter } from '../whatif';
  import AddRow from './AddRow.svelte';

  const plan = getPlan();
  /** Rows that are chosen and that no scenario changes yet. */
  let more = $state<string[]>([]);
  const sheet = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/case-sheet', { params: { path: { plan: plan.id }, query: { more } }, signal }),
    );
  });
  const columns = $derived(sheet.data?.columns ?? []);
  const rows = $derived(sheet.data?.rows ?? []);

  /** Days are typed as in files, and read as people write them. */
  function shown(value: string): string {
    return /^\d{4}-\d{2}-\d{2}$/.test(value) ? longDay(value) : value;
  }

  function text(row: number, column: number): string {
    return rows[row]?.cells[column]?.value ?? '';
  }

  async function put(text: string, row: number, column: number): Promise<string> {
    const cells = cellsOf(text, row, column, [rows.length, columns.length]);
    if ('refusal' in cells) return cells.refusal;
    const body: Schemas['TypedCase'][] = cells.map((cell) => ({
      scenario: columns[cell.column]!.id,
      says: rows[cell.row]!.key.says,
      of: rows[cell.row]!.key.of,
      text: cell.text,
    }));
    const refused = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/case-sheet', { params: { path: { plan: plan.id }, query: { version } }, body }),
      ),
    );
    return refused?.detail ?? '';
  }

  const grid = new TypedGrid({ size: () => [rows.length, columns.length], text, put, begins: /^[\w.\-−]$/ });
</script>

{#if sheet.problem}
  <Refusal words={sheet.problem.detail} />
{:else if sheet.data && !columns.length}
  <p class="card">
    Make three cases first, or a scenario of your own: each is a column here, and each figure that differs a row.
  </p>
{:else if sheet.data}
  {#if rows.length}
    <table
      class="figures mb-2"
      role="grid"
      aria-label="Values of each future"
      bind:this={grid.table}
      onkeydown={(e) => grid.keydown(e)}
      oncopy={(e) => grid.copy(e)}
      onpaste={(e) => void grid.paste(e)}
    >
      <thead>
        <tr>
          <th class="words" scope="col">What differs</th>
          <th scope="col"><span class="letter">A</span> Base</th>
          {#each columns as column, i (column.id)}
            <th scope="col"><span class="letter">{letter(i + 1)}</span> {column.name}</th>
          {/each}
          <th class="words" scope="col"></th>
        </tr>
      </thead>
      <tbody>
        {#each rows as row, r (row.key.says + row.key.of)}
          <tr>
            <th scope="row" class="words max-w-[380px] truncate" title={row.what}>{row.what}</th>
            <td>{shown(row.base)}</td>
            {#each columns as column, c (column.id)}
              {@const cell = row.cells[c]!}
              <td
                role="gridcell"
                tabindex={grid.cursor.row === r && grid.cursor.column === c ? 0 : -1}
                class="relative {cell.own ? 'font-semibold' : cell.value === row.base ? 'hush' : ''} {grid.cursor.holds(
                  r,
                  c,
                )
                  ? 'selected'
                  : ''}"
                onmousedown={() => grid.choose(r, c)}
                ondblclick={() => grid.start(r, c)}
              >
                {#if grid.isEditing(r, c)}
                  <CellField {grid} label="{row.what} in {column.name}" />
                {:else}{shown(cell.value)}{#if cell.value !== row.base}<Differs />{/if}{/if}
              </td>
            {/each}
            <td class="words hush">{row.unit}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="card mb-2">No figure differs yet: choose one below, then type what it is in each future.</p>
  {/if}
  <Refusal words={grid.refusal} class="mb-2" />
  <p class="hush mb-2">
    Type, paste and copy as in a spreadsheet; Delete takes a change out. What differs only for some months is set under
    Futures.
  </p>
  <AddRow onadd={(row) => (more = [...more.filter((one) => one !== row), row])} />
{/if}
