<script lang="ts">
  import type { CellView, PlanView, TableView } from '../../lib/api';
  import { fullDay } from '../../lib/dates';
  import Differs from '../../lib/grid/Differs.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { TINTS } from './rows';

  interface Props {
    cell: CellView;
    kind: string;
    period: TableView['periods'][number];
    buoy?: PlanView['buoys'][number];
    /** The names of those who stand on this figure in other windows. */
    visitors?: string[];
    /** Whether the as-of date lies just before this column. */
    asOf: boolean;
    tabindex: 0 | -1;
    selected: boolean;
    onclick: () => void;
  }

  let { cell, kind, period, buoy, visitors = [], asOf, tabindex, selected, onclick }: Props = $props();
  const plan = getPlan();
  const flow = $derived(kind === 'line' || kind === 'unassigned' || kind === 'transfers');
  const bad = $derived(cell.amount < 0 && ['net', 'closing', 'headroom', 'lowest'].includes(kind));
  const title = $derived(
    [
      plan.money.besideBase(cell.amount, cell.base),
      cell.computed === undefined ? '' : `overridden; computed ${plan.money.sum(cell.computed)}`,
      cell.overdue ? 'holds something overdue' : '',
      cell.day ? `on ${fullDay(cell.day)}, the day with the least headroom` : '',
      buoy ? `buoy: ${buoy.note}` : '',
      visitors.length ? `${visitors.join(', ')} ${visitors.length > 1 ? 'are' : 'is'} here` : '',
    ]
      .filter(Boolean)
      .join(' · '),
  );
</script>

<!-- Keys are the grid's. -->
<td
  role="gridcell"
  {tabindex}
  {title}
  {onclick}
  class="cursor-default {asOf ? 'as-of' : ''} {period.settled && kind !== 'closing' && kind !== 'headroom'
    ? 'settled-column'
    : ''}
    {flow && cell.part === 'estimated' ? 'estimated' : ''} {bad ? 'bad' : ''} {selected
    ? 'selected'
    : ''} {visitors.length ? 'visited' : ''}"
  style={kind === 'headroom' ? `background:${TINTS[cell.depth ?? 0]}` : undefined}
>
  {#if cell.base !== undefined}<Differs />{/if}{#if buoy}<span class="buoy" role="img" aria-label="Buoy"
    ></span>{/if}<span class={cell.computed === undefined ? '' : 'overridden'}>{plan.money.cell(cell.amount)}</span
  >{#if cell.overdue}<span class="bad" aria-label="overdue">!</span>{/if}
</td>
