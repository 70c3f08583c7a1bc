<script lang="ts">
  import { tick } from 'svelte';
  import { getPlan } from '../plan.svelte';
  import { blockText, GridCursor } from './cursor.svelte';
  import { depth, unfolded, type FigureColumn, type FigureRow } from './figures';
  import Differs from './Differs.svelte';
  import Room from './Room.svelte';
  import { RowsInSight } from './sight.svelte';

  interface Props {
    label: string;
    /** All rows, those of folded groups too. */
    rows: FigureRow[];
    columns: FigureColumn[];
    /** What of the screen stands above and below it, in pixels. */
    taken?: number;
    /** Opens the workings of a figure. */
    onopen: (row: FigureRow, column: number) => void;
    onleave: () => void;
    /** The groups that are folded, by the keys of their rows. */
    folded?: ReadonlySet<string>;
    /** Folds a group, or unfolds it. */
    onfold?: (group: string) => void;
  }

  let { label, rows: all, columns, taken = 240, onopen, onleave, folded = new Set(), onfold }: Props = $props();
  const rows = $derived(unfolded(all, folded));
  const plan = getPlan();
  const figures = $derived(rows.filter((row) => row.style !== 'heading'));
  const cursor = new GridCursor(() => [figures.length, columns.length]);
  let grid = $state<HTMLTableElement>();
  const sight = new RowsInSight(() => rows.length);
  const drawn = $derived(rows.slice(sight.first, sight.end));
  /** The row that the keys enter by: that of the cursor, or the first figures that are drawn. */
  const entered = $derived.by(() => {
    const first = drawn.find((row) => row.style !== 'heading');
    return figures[cursor.row] && drawn.includes(figures[cursor.row]!) ? figures[cursor.row] : first;
  });

  const INDENT = { heading: '', group: '!pl-6', line: '!pl-6', of_which: 'hush !pl-9', sum: '', check: 'hush' };
  const DEEPER = ['', '!pl-10', '!pl-14'];

  function indent(row: FigureRow): string {
    return row.group ? DEEPER[Math.min(depth(row, all), 2)]! : INDENT[row.style];
  }

  const open = () => onopen(figures[cursor.row]!, cursor.column);

  async function focusCell() {
    const row = figures[cursor.row];
    if (row) sight.reach(rows.indexOf(row));
    await tick();
    grid?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.altKey || e.metaKey || e.ctrlKey) return;
    if (cursor.move(e.key, e.shiftKey)) void focusCell();
    else if (e.key === 'Enter') open();
    else if (e.key === ' ' && figures[cursor.row]?.style === 'group') onfold?.(figures[cursor.row]!.key);
    else if (e.key === 'Escape') onleave();
    else return;
    e.preventDefault();
  }

  function oncopy(e: ClipboardEvent) {
    e.clipboardData?.setData(
      'text/plain',
      blockText(cursor.block, (r, c) => plan.money.decimal(figures[r]?.amounts[c] ?? 0)),
    );
    e.preventDefault();
  }

  function click(row: number, column: number) {
    cursor.set(row, column);
    void focusCell();
    open();
  }
</script>

<div class="overflow-auto" style="max-height:calc(100vh - {taken}px)" bind:this={sight.frame}>
  <table
    class="figures {plan.unit === 'full' ? 'tight' : ''}"
    role="grid"
    aria-label={label}
    aria-rowcount={rows.length + 1}
    bind:this={grid}
    {onkeydown}
    {oncopy}
  >
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words sticky left-0 bg-sheet" scope="col">{plan.money.words}</th>
        {#each columns as column (column.key)}<th scope="col">{column.name}<small>{column.sub}</small></th>{/each}
      </tr>
    </thead>
    <tbody>
      <Room height={sight.above} columns={columns.length + 1} />
      {#each drawn as row, i (row.key)}
        {@const r = figures.indexOf(row)}
        {#if row.style === 'heading'}
          <tr data-drawn aria-rowindex={sight.first + i + 2} class="bg-[#fcfbf7] font-[650]"
            ><th scope="rowgroup" class="words" colspan={columns.length + 1}>{row.name}</th></tr
          >
        {:else}
          <tr data-drawn aria-rowindex={sight.first + i + 2} class={row.style === 'sum' ? 'bg-foam font-[650]' : ''}>
            <th
              scope="row"
              aria-label={row.style === 'group' ? row.name : undefined}
              class="words sticky left-0 z-[1] {row.style === 'sum' ? 'bg-foam' : 'bg-sheet'} {indent(row)}"
              >{#if row.style === 'group'}<button
                  class="mr-1 -ml-4 w-3 text-left"
                  tabindex="-1"
                  aria-label="{folded.has(row.key) ? 'Unfold' : 'Fold'} {row.name}"
                  aria-expanded={!folded.has(row.key)}
                  onclick={() => onfold?.(row.key)}>{folded.has(row.key) ? '▸' : '▾'}</button
                >{/if}{row.name}</th
            >
            {#each row.amounts as minor, c (columns[c]?.key)}
              <td
                role="gridcell"
                class="{columns[c]?.actual ? '' : 'estimated'} cursor-pointer {cursor.holds(r, c)
                  ? 'outline outline-1 outline-tide'
                  : ''}"
                tabindex={entered === row && cursor.column === c ? 0 : -1}
                title={plan.money.besideBase(minor, row.base?.[c])}
                onclick={() => click(r, c)}
                >{#if row.base?.[c] != null}<Differs />{/if}{plan.money.cell(minor)}{#if row.below}<small
                    class="hush block">{row.below[c]}</small
                  >{/if}</td
              >
            {/each}
          </tr>
        {/if}
      {/each}
      <Room height={sight.below} columns={columns.length + 1} />
    </tbody>
  </table>
</div>
