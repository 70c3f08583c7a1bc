<script lang="ts">
  import type { PlanView, TableRow, TableView } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import ForecastCell from './ForecastCell.svelte';
  import { canFold } from './rows';

  interface Props {
    row: TableRow;
    periods: TableView['periods'];
    buoys: PlanView['buoys'];
    /** The column that the as-of date lies just before. */
    asOfColumn: number;
    /** The row's number in the whole grid, its heading being the first. */
    place: number;
    folded: boolean;
    /** The column by which the keys enter the grid, where they enter by this row. */
    enteredBy: number;
    holds: (column: number) => boolean;
    onfold: () => void;
    onclick: (column: number) => void;
  }

  let { row, periods, buoys, asOfColumn, place, folded, enteredBy, holds, onfold, onclick }: Props = $props();
  const plan = getPlan();
  const isVisited = $derived(plan.live.others.some((one) => one.place.row === row.id));
  // Apart, so that a new table whose row says the same asks nothing of its figures.
  const cells = $derived(row.cells);
  const flagged = $derived(buoys.filter((buoy) => buoy.row === row.id));
  const BOLD = ['section', 'group', 'net', 'closing'];
</script>

<tr
  data-drawn
  aria-rowindex={place}
  class="{BOLD.includes(row.kind) ? 'font-[650]' : ''} {row.kind === 'section' ? 'bg-[#fcfbf7]' : ''}
            {row.kind === 'closing' ? 'bg-foam' : ''} {row.kind === 'net' ? 'border-t border-t-ink' : ''} {row.active
    ? ''
    : 'opacity-50'}"
>
  <th
    scope="row"
    class="words max-w-[230px] overflow-hidden text-ellipsis"
    style="padding-left:{7 + row.depth * 16}px"
    title={row.name}
  >
    {#if canFold(row)}
      <button
        class="hush mr-1 text-[10px]"
        tabindex="-1"
        aria-label="{folded ? 'Unfold' : 'Fold'} {row.name}"
        aria-expanded={!folded}
        onclick={onfold}>{folded ? '▸' : '▾'}</button
      >
    {/if}{row.name}{row.active ? '' : ' (off)'}
  </th>
  {#each cells as cell, c (periods[c]?.from)}
    {@const period = periods[c]!}
    <ForecastCell
      {cell}
      kind={row.kind}
      {period}
      buoy={flagged.find((one) => one.from <= period.to && one.to >= period.from)}
      visitors={isVisited ? plan.live.at(row.id, period.from, period.to) : undefined}
      asOf={c === asOfColumn}
      tabindex={enteredBy === c ? 0 : -1}
      selected={holds(c)}
      onclick={() => onclick(c)}
    />
  {/each}
</tr>
