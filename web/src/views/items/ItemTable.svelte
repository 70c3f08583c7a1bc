<script lang="ts">
  import { longDay, shortDay } from '../../lib/dates';
  import Differs from '../../lib/grid/Differs.svelte';
  import CellField from '../../lib/grid/CellField.svelte';
  import Room from '../../lib/grid/Room.svelte';
  import { RowsInSight } from '../../lib/grid/sight.svelte';
  import { TypedGrid } from '../../lib/grid/typed.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { takesBase } from '../../lib/shell/views';
  import { KINDS, putItems, SOURCES, type ItemView, type Order } from './items';
  import { COLUMNS, inBase, itemName, itemsOfBase, readItems } from './typed';

  interface Props {
    direction: 'receipt' | 'payment';
    items: ItemView[];
    order: Order;
    descending: boolean;
    onorder: (by: Order) => void;
  }

  let { direction, items, order, descending, onorder }: Props = $props();
  const KNOWN: { name: string; order: Order }[] = [
    { name: 'Number', order: 'NUMBER' },
    { name: 'Counterparty', order: 'COUNTERPARTY' },
    { name: 'Line', order: 'LINE' },
    { name: 'Due', order: 'DUE' },
    { name: 'Open', order: 'OPEN' },
    { name: 'Expected', order: 'EXPECTED' },
  ];
  const plan = getPlan();
  const sight = new RowsInSight(() => items.length);
  const grid = new TypedGrid({
    size: () => [items.length, COLUMNS.length],
    text: (row, column) => (items[row] ? COLUMNS[column]!.text(items[row].item) : ''),
    put: async (text, row, column, how) => {
      const read = readItems(
        items.map((one) => one.item),
        text,
        row,
        column,
        how,
      );
      if ('refusal' in read) return read.refusal;
      return read.items.length ? putItems(plan, read.items, read.words) : '';
    },
    begins: /^[\p{L}\d]$/u,
    reach: (row) => sight.reach(row),
    known: (row) => items[row]?.id ?? '',
  });
  function onkeydown(e: KeyboardEvent) {
    if (!takesBase(e)) return grid.keydown(e);
    e.preventDefault();
    const { items: sent, words } = itemsOfBase(items, grid.cursor.block);
    void grid.say(sent.length ? putItems(plan, sent, words) : Promise.resolve(words));
  }

  /** The row that the keys enter by: that of the cursor, or the first that is drawn. */
  const entered = $derived(sight.draws(grid.cursor.row) ? grid.cursor.row : sight.first);
</script>

{#if items.length}
  <Refusal words={grid.refusal} class="mb-1" />
  <div class="overflow-auto" style="max-height:calc(100vh - 262px)" bind:this={sight.frame}>
    <table
      class="figures tight"
      role="grid"
      aria-label="Open items"
      aria-rowcount={items.length + 1}
      bind:this={grid.table}
      {onkeydown}
      oncopy={(e) => grid.copy(e)}
      onpaste={(e) => void grid.paste(e)}
    >
      <thead class="sticky top-0 z-[2] bg-sheet">
        <tr>
          {#each KNOWN as column (column.name)}
            <th
              class={column.order === 'OPEN' ? '' : column.order === 'EXPECTED' ? 'words !pl-4' : 'words'}
              scope="col"
              aria-sort={column.order === order ? (descending ? 'descending' : 'ascending') : undefined}
            >
              <button
                class="underline decoration-dotted"
                title={column.order === order ? 'Turn the order round' : `Order by ${column.name.toLowerCase()}`}
                onclick={() => onorder(column.order)}
                >{column.name}{column.order === order ? (descending ? ' ↓' : ' ↑') : ''}</button
              >
            </th>
          {/each}
          {#each COLUMNS as column (column.name)}<th class="words" scope="col">{column.name}</th>{/each}
        </tr>
      </thead>
      <tbody>
        <Room height={sight.above} columns={KNOWN.length + COLUMNS.length} />
        {#each items.slice(sight.first, sight.end) as one, i (one.id)}
          {@const item = one.item}
          {@const r = sight.first + i}
          <tr data-drawn aria-rowindex={r + 2} class={one.expected ? '' : 'hush'}>
            <th class="words font-normal" scope="row" title={KINDS[item.kind][direction]}
              >{item.number}{item.kind === 'invoice' ? '' : `, ${KINDS[item.kind][direction]}`}</th
            >
            <td class="words max-w-[180px] truncate">{item.counterparty}</td>
            <td class="words max-w-[160px] truncate">{one.line}</td>
            <td
              class="words"
              title={longDay(String(item.due)) + (one.daysLate > 0 ? `, ${one.daysLate} days late` : '')}
              >{shortDay(String(item.due))}{one.daysLate > 0 ? ` (+${one.daysLate})` : ''}</td
            >
            <td>{plan.money.full(one.open)}</td>
            <td class="words !pl-4" title="{one.expected ? longDay(one.expected) + ', ' : ''}{one.because}"
              >{one.expected ? shortDay(one.expected) : '–'} <span class="hush">{SOURCES[one.source]}</span></td
            >
            {#each COLUMNS as column, c (column.name)}
              {@const base = inBase(one, column)}
              <td
                role="gridcell"
                title={base === undefined ? undefined : `The base has ${base || 'nothing'}`}
                class="words relative {grid.cursor.holds(r, c) ? 'selected' : ''}"
                tabindex={entered === r && grid.cursor.column === c ? 0 : -1}
                onmousedown={() => grid.choose(r, c)}
                ondblclick={() => grid.start(r, c)}
              >
                {#if base !== undefined}<Differs />{/if}<span class={column.text(item) === column.usual ? 'hush' : ''}
                  >{column.text(item) || '·'}</span
                >
                {#if grid.isEditing(r, c)}
                  <CellField {grid} label={column.label(itemName(item))} class="w-full min-w-[96px] !text-left" />
                {/if}
              </td>
            {/each}
          </tr>
        {/each}
        <Room height={sight.below} columns={KNOWN.length + COLUMNS.length} />
      </tbody>
    </table>
  </div>
{/if}
