<script lang="ts">
  import type { LineView } from '../../../../lib/api';
  import { monthName } from '../../../../lib/dates';
  import { grouped } from '../../../../lib/money';
  import { getPlan } from '../../../../lib/plan.svelte';

  interface Props {
    months: LineView['stock'];
    /** Which of the rows follows from the others: purchases, cost or closing. */
    follows: 'purchases' | 'cost' | 'closing';
  }

  let { months, follows }: Props = $props();
  const plan = getPlan();
  const ROWS = [
    { key: 'opening', name: 'opening', sign: 1 },
    { key: 'purchases', name: 'purchases', sign: 1 },
    { key: 'cost', name: 'cost of sales', sign: -1 },
    { key: 'closing', name: 'closing', sign: 1 },
  ] as const;
  const UNITS = [
    { key: 'opening', name: 'opening, units' },
    { key: 'bought', name: 'bought' },
    { key: 'sold', name: 'sold' },
    { key: 'closing', name: 'closing, units' },
  ] as const;
  const inUnits = $derived(months.some((month) => month.units !== null));
  const surplus = $derived(months.some((month) => month.surplus > 0));

  function days(tenths: number | null): string {
    return tenths === null ? 'longer' : (tenths / 10).toFixed(1);
  }
</script>

<div class="card mb-2.5 overflow-x-auto">
  <div class="mb-1 flex items-baseline gap-3">
    <b class="font-semibold">Stock, month by month</b>
    <span class="hush flex-1">the row marked = follows from the others</span>
    <span class="hush">{plan.money.words}</span>
  </div>
  <table class="figures">
    <thead>
      <tr>
        <th class="words" scope="col"></th>
        {#each months as month (month.month)}<th scope="col"
            >{monthName(month.month)}<small>{month.month.slice(0, 4)}</small></th
          >{/each}
      </tr>
    </thead>
    <tbody>
      {#each ROWS as row (row.key)}
        <tr class="estimated {row.key === follows ? 'bg-foam font-[650]' : ''}">
          <th scope="row" class="words not-italic">{row.key === follows ? '= ' : ''}{row.name}</th>
          {#each months as month (month.month)}
            <td title={plan.money.sum(row.sign * month[row.key])}>{plan.money.cell(row.sign * month[row.key])}</td>
          {/each}
        </tr>
      {/each}
      <tr class="hush">
        <th scope="row" class="words">lasts, days</th>
        {#each months as month (month.month)}<td>{days(month.tenthsOfDays)}</td>{/each}
      </tr>
      {#if surplus}
        <tr class="bad">
          <th scope="row" class="words">more than asked for: cash tied up</th>
          {#each months as month (month.month)}
            <td title={plan.money.sum(month.surplus)}>{plan.money.cell(month.surplus)}</td>
          {/each}
        </tr>
        <tr class="bad">
          <th scope="row" class="words">for how many days</th>
          {#each months as month (month.month)}<td>{month.surplus ? days(month.surplusTenthsOfDays) : '·'}</td>{/each}
        </tr>
      {/if}
      {#if inUnits}
        {#each UNITS as row (row.key)}
          <tr class="estimated">
            <th scope="row" class="words not-italic">{row.name}</th>
            {#each months as month (month.month)}<td>{grouped(month.units![row.key])}</td>{/each}
          </tr>
        {/each}
        {#if surplus}
          <tr class="bad">
            <th scope="row" class="words">units more than asked for</th>
            {#each months as month (month.month)}<td>{grouped(month.units!.surplus)}</td>{/each}
          </tr>
        {/if}
      {/if}
    </tbody>
  </table>
</div>
