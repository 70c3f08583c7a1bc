<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { shortDay, weekday } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    position: Schemas['PositionView'];
  }

  let { position }: Props = $props();
  const plan = getPlan();
  const asOf = $derived(position.days.findIndex((day) => day > plan.view!.tide.asOf));
</script>

{#if position.accounts.length}
  <div class="mb-3 overflow-x-auto">
    <table class="figures" aria-label="Balances by account and day">
      <thead>
        <tr>
          <th class="words" scope="col">Booked balance, {plan.money.words}</th>
          {#each position.days as day, i (day)}
            <th scope="col" class={i === asOf ? 'as-of' : ''}>{weekday(day)}<small>{shortDay(day)}</small></th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each position.accounts as account (account.id)}
          <tr>
            <th scope="row" class="words" title="known up to {account.knownTo}">
              {account.name}{account.restricted ? ' (restricted)' : ''}
            </th>
            {#each account.balances as balance, i (position.days[i])}
              <td class="{i === asOf ? 'as-of' : ''} {balance < 0 ? 'bad' : ''}" title={plan.money.sum(balance)}
                >{plan.money.cell(balance)}</td
              >
            {/each}
          </tr>
        {/each}
        <tr class="bg-foam font-[650]">
          <th scope="row" class="words">Cash</th>
          {#each position.total as total, i (position.days[i])}
            <td class="{i === asOf ? 'as-of' : ''} {total < 0 ? 'bad' : ''}" title={plan.money.sum(total)}
              >{plan.money.cell(total)}</td
            >
          {/each}
        </tr>
      </tbody>
    </table>
  </div>
{:else}
  <p class="card mb-3">
    Here stand the bank accounts with their balances. <a class="underline" href="#/plan/{plan.id}/setup"
      >Add the first account</a
    >.
  </p>
{/if}
