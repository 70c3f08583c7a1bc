<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { monthName, shortDay } from '../../lib/dates';
  import Differs from '../../lib/grid/Differs.svelte';
  import { addressOfLine } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import type { FundingPlace, FundingView } from './funding';

  interface Props {
    view: FundingView;
    /** Opens the workings of a figure. */
    onopen: (place: FundingPlace) => void;
  }

  let { view, onopen }: Props = $props();
  const plan = getPlan();
  const STRONG = ['before', 'closing'];

  function title(period: FundingView['periods'][number]): { name: string; sub: string } {
    const whole = period.from.endsWith('-01') && period.from.slice(0, 7) === period.to.slice(0, 7);
    return whole
      ? { name: monthName(period.from), sub: period.from.slice(0, 4) }
      : { name: shortDay(period.from), sub: `to ${shortDay(period.to)}` };
  }

  function open(row: string, name: string, i: number) {
    onopen({ row, name, from: view.periods[i]!.from, to: view.periods[i]!.to });
  }

  function isLine(id: string): boolean {
    return plan.view!.lines.some((line) => line.id === id);
  }
</script>

<div class="overflow-auto" style="max-height:calc(100vh - 440px);min-height:220px">
  <table class="figures {plan.unit === 'full' ? 'tight' : ''}" aria-label="Funding by period">
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words" scope="col">{plan.money.words}</th>
        {#each view.periods as period (period.from)}
          {@const head = title(period)}
          <th scope="col" class={period.settled ? 'hush' : ''}>{head.name}<small>{head.sub}</small></th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each view.rows as row (row.id)}
        <tr class={STRONG.includes(row.kind) ? 'bg-foam font-[650]' : ''}>
          <th class="words" scope="row">
            {#if isLine(row.id)}
              <button class="underline decoration-dotted" onclick={() => void push(addressOfLine(plan, row.id))}
                >{row.name}</button
              >
            {:else}{row.name}{/if}
          </th>
          {#each row.amounts as minor, i (view.periods[i]!.from)}
            <td
              class="{view.periods[i]!.settled ? '' : 'estimated'} {minor < 0 && row.kind !== 'payments'
                ? 'text-bad'
                : ''} {row.kind === 'shortfall' && minor ? 'bad' : ''}"
              title={plan.money.besideBase(minor, row.base?.[i])}
              >{#if row.base?.[i] != null}<Differs />{/if}<button
                class="w-full text-right"
                onclick={() => open(row.id, row.name, i)}>{plan.money.cell(minor)}</button
              ></td
            >
          {/each}
        </tr>
      {/each}
      {#each view.debts as debt (debt.id)}
        <tr>
          <th class="words" scope="row">{debt.name}, owed at the end</th>
          {#each debt.owed as minor, i (view.periods[i]!.from)}
            <td
              class={view.periods[i]!.settled ? '' : 'estimated'}
              title={debt.revolving
                ? `${plan.money.sum(minor)} of ${plan.money.sum(debt.most[i] ?? 0)}`
                : plan.money.besideBase(minor, debt.base?.[i])}
              >{#if debt.base?.[i] != null}<Differs />{/if}<button
                class="w-full text-right"
                onclick={() => open(`owed ${debt.id}`, `${debt.name}, owed at the end`, i)}
                >{plan.money.cell(minor)}</button
              ></td
            >
          {/each}
        </tr>
      {/each}
      {#each view.deposits as deposit (deposit.id)}
        <tr>
          <th class="words" scope="row">{deposit.name}, put away at the end</th>
          {#each deposit.placed as minor, i (view.periods[i]!.from)}
            <td class={view.periods[i]!.settled ? '' : 'estimated'} title={plan.money.sum(minor)}
              ><button
                class="w-full text-right"
                onclick={() => open(`owed ${deposit.id}`, `${deposit.name}, put away at the end`, i)}
                >{plan.money.cell(minor)}</button
              ></td
            >
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
