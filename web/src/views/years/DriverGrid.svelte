<script lang="ts">
  import { answer, api } from '../../lib/api';
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import CellField from '../../lib/grid/CellField.svelte';
  import { TypedGrid } from '../../lib/grid/typed.svelte';
  import { grouped, MINUS } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Came from './Came.svelte';
  import DriverNote from './DriverNote.svelte';
  import { readBlock, valueRows, type DriverRow, type YearsView } from './years';

  let { view }: { view: YearsView } = $props();
  const plan = getPlan();
  const rows = $derived(valueRows(view.drivers));
  const years = $derived(view.years.slice(1));
  const grid = new TypedGrid({
    size: () => [rows.length, years.length],
    text: stands,
    put,
    begins: /^[-\d.]$/,
    known: (row) => `${rows[row]?.row.id} ${rows[row]?.values?.part}`,
  });

  /** A cell of a year; the last year has its own column before them. */
  const cell = (row: number, column: number) => rows[row]?.values?.cells[column + 1];

  /** What stands in a cell: what was typed, or what holds; of an amount what the year came to, by its growth or as before. */
  function stands(row: number, column: number): string {
    const at = cell(row, column);
    if (!at) return '';
    return at.typed || (rows[row]?.values?.part === 'amount' ? at.cameTo : at.holds);
  }

  function shown(text: string, measure: string): string {
    const plain = measure === 'money' ? grouped(text) : text;
    return plain.replace('-', MINUS);
  }

  async function put(text: string, top: number, left: number): Promise<string> {
    const read = readBlock(
      text,
      top,
      left,
      rows,
      years.map((one) => one.name),
    );
    if ('refusal' in read) return read.refusal;
    if (!read.values.length) return '';
    const refused = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/years/values', {
          params: { path: { plan: plan.id }, query: { version } },
          body: read.values,
        }),
      ),
    );
    return refused?.detail ?? '';
  }

  async function choose(row: DriverRow, method: string): Promise<string> {
    const refused = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/years/method', {
          params: { path: { plan: plan.id }, query: { version, row: row.id, method } },
        }),
      ),
    );
    return refused?.detail ?? '';
  }
</script>

<Refusal words={grid.refusal} class="mb-1" />
<div class="card overflow-auto !p-0" style="max-height:calc(100vh - 250px)">
  <table
    class="figures tight"
    role="grid"
    aria-label="Drivers of the years"
    aria-rowcount={rows.length + 1}
    bind:this={grid.table}
    onkeydown={(e) => grid.keydown(e)}
    oncopy={(e) => grid.copy(e)}
    onpaste={(e) => void grid.paste(e)}
  >
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words sticky left-0 bg-sheet" scope="col">Row</th>
        <th class="words" scope="col">follows from</th>
        <th class="words" scope="col"></th>
        <th scope="col">{view.years[0]?.label}<small>came to</small></th>
        {#each years as year (year.name)}<th scope="col">{year.label}</th>{/each}
        <th class="words !pl-4" scope="col">Came to</th>
        <th class="words" scope="col">Note</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as at, r (`${at.row.id} ${at.values?.part}`)}
        <tr class={at.first ? 'border-t border-rule' : ''}>
          <th scope="row" class="words sticky left-0 z-[1] bg-sheet"
            >{#if at.first}{at.row.name}{:else}<span class="sr-only">{at.row.name}</span>{/if}</th
          >
          <td class="words">
            {#if at.first}
              <ChoiceField
                class="w-[190px]"
                name="What {at.row.name} follows from"
                value={at.row.method}
                options={at.row.methods.map((one) => ({ value: one.key, name: one.words }))}
                onput={(method) => choose(at.row, method)}
              />
            {/if}
          </td>
          <td class="words hush">{at.values?.words ?? ''}</td>
          <td class="hush">{at.values ? shown(at.values.cells[0]?.cameTo ?? '', at.values.measure) : ''}</td>
          {#each years as year, c (year.name)}
            {@const value = cell(r, c)}
            <td
              role="gridcell"
              class="relative min-w-[72px] cursor-text {grid.cursor.holds(r, c) ? 'selected' : ''} {value?.typed
                ? ''
                : 'estimated'}"
              tabindex={grid.cursor.row === r && grid.cursor.column === c ? 0 : -1}
              title={value?.typed
                ? 'typed for the year'
                : value?.holds
                  ? 'as it was typed before'
                  : 'as the year before'}
              onmousedown={() => grid.choose(r, c)}
              ondblclick={() => grid.start(r, c)}
            >
              {at.values ? shown(stands(r, c), at.values.measure) : ''}
              {#if grid.isEditing(r, c)}
                <CellField {grid} label="{at.row.name}, {at.values?.words} of {year.label}" class="w-[86px]" />
              {/if}
            </td>
          {/each}
          <td
            >{#if at.values}<Came cells={at.values.cells} years={view.years.map((one) => one.label)} />{/if}</td
          >
          <td class="words"
            >{#if at.first && at.values}<DriverNote row={at.row} />{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</div>
<p class="hush mt-1">
  What is typed for a year holds until the next that is typed. Type, or paste a block from a spreadsheet; Delete takes a
  value out.
</p>
