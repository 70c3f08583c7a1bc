<script lang="ts">
  import type { LineView } from '../../../../lib/api';
  import { monthName } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import { paint } from './pattern';

  interface Props {
    schedule: NonNullable<LineView['schedule']>;
  }

  let { schedule }: Props = $props();
  const plan = getPlan();
  const billed = $derived(schedule.billed.filter((month) => month.gross !== 0));
  const sums = $derived([
    { name: 'Cash', values: schedule.cash, strong: true },
    { name: 'discounts', values: schedule.discounts, strong: false },
    { name: 'written off', values: schedule.writtenOff, strong: false },
    { name: 'still owed at month end', values: schedule.owed, strong: false },
  ]);
</script>

<div class="card">
  <div class="mb-1 flex items-baseline gap-3">
    <b class="font-semibold">Month by cash month</b>
    <span class="hush flex-1">what each month bills, with sales tax, and when it is paid, after discount</span>
    <span class="hush">{plan.money.words}</span>
  </div>
  <table class="figures">
    <thead>
      <tr>
        <th class="words" scope="col">Billed in</th>
        {#each schedule.cashMonths as month (month)}
          <th scope="col">paid in {monthName(month)}<small>{month.slice(0, 4)}</small></th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each billed as row (row.month)}
        <tr class={row.history ? '' : 'estimated'}>
          <th scope="row" class="words not-italic">
            {monthName(row.month)} <span class="hush">{plan.money.cell(row.gross)}</span>
          </th>
          {#each schedule.cashMonths as month (month)}
            <td>
              {#each row.payments.filter((payment) => payment.month === month) as payment (payment.step)}
                <span title={plan.money.sum(payment.cash)}>{plan.money.cell(payment.cash)}</span><i
                  class="ml-1.5 inline-block h-[17px] w-[4px] align-middle"
                  style="background:{paint(payment.step)}"
                ></i>
              {/each}
            </td>
          {/each}
        </tr>
      {/each}
      {#each sums as sum (sum.name)}
        <tr class={sum.strong ? 'bg-foam font-[650]' : 'hush'}>
          <th scope="row" class="words">{sum.name}</th>
          {#each sum.values as value, i (i)}<td title={plan.money.sum(value)}>{plan.money.cell(value)}</td>{/each}
        </tr>
      {/each}
    </tbody>
  </table>
  {#if billed.length === 0}<p class="hush mt-2">
      Nothing is billed in these months: give the line an amount above.
    </p>{/if}
</div>
