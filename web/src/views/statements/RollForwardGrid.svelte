<script lang="ts">
  import { tick } from 'svelte';
  import type { RollForwardView } from '../../lib/api';
  import { monthName } from '../../lib/dates';
  import { blockText, GridCursor } from '../../lib/grid/cursor.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { rows, type Place } from './rolls';

  interface Props {
    rolls: RollForwardView[];
    onopen: (place: Place) => void;
    onleave: () => void;
  }

  let { rolls, onopen, onleave }: Props = $props();
  const plan = getPlan();
  const shown = $derived(rows(rolls));
  const months = $derived(rolls[0]?.months ?? []);
  const cursor = new GridCursor(() => [shown.length, months.length]);
  let grid = $state<HTMLTableElement>();

  function open() {
    const row = shown[cursor.row]!;
    onopen({
      kind: row.roll.kind,
      line: row.roll.lineId,
      name: `${row.roll.name}, ${row.name}`,
      row: row.name,
      month: months[cursor.column]!,
    });
  }

  async function focusCell() {
    await tick();
    grid?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.altKey || e.metaKey || e.ctrlKey) return;
    if (cursor.move(e.key, e.shiftKey)) void focusCell();
    else if (e.key === 'Enter') open();
    else if (e.key === 'Escape') onleave();
    else return;
    e.preventDefault();
  }

  function oncopy(e: ClipboardEvent) {
    e.clipboardData?.setData(
      'text/plain',
      blockText(cursor.block, (r, c) => plan.money.decimal(shown[r]?.amounts[c] ?? 0)),
    );
    e.preventDefault();
  }

  function click(row: number, column: number) {
    cursor.set(row, column);
    void focusCell();
    open();
  }
</script>

<div class="overflow-auto" style="max-height:calc(100vh - 240px)">
  <table
    class="figures {plan.unit === 'full' ? 'tight' : ''}"
    role="grid"
    aria-label="Roll-forward by month"
    bind:this={grid}
    {onkeydown}
    {oncopy}
  >
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words" scope="col">{plan.money.words}</th>
        {#each months as month (month)}<th scope="col">{monthName(month)}<small>{month.slice(0, 4)}</small></th>{/each}
      </tr>
    </thead>
    <tbody>
      {#each shown as row, r (`${row.roll.lineId} ${row.name}`)}
        {#if row.first}
          <tr class="bg-[#fcfbf7] font-[650]"
            ><th scope="rowgroup" class="words" colspan={months.length + 1}>{row.roll.name}</th></tr
          >
        {/if}
        <tr class={row.last ? 'bg-foam font-[650]' : ''}>
          <th scope="row" class="words !pl-6">{row.name}</th>
          {#each row.amounts as minor, c (months[c])}
            <td
              role="gridcell"
              class="estimated cursor-pointer {cursor.holds(r, c) ? 'outline outline-1 outline-tide' : ''}"
              tabindex={cursor.row === r && cursor.column === c ? 0 : -1}
              title={plan.money.sum(minor)}
              onclick={() => click(r, c)}>{plan.money.cell(minor)}</td
            >
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
