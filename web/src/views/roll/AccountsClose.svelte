<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    accounts: Schemas['AccountClose'][];
  }

  let { accounts }: Props = $props();
  const plan = getPlan();
</script>

<table class="figures" aria-label="Accounts against their banks">
  <thead>
    <tr>
      <th class="words" scope="col">Account</th>
      <th scope="col">Here on {longDay(plan.view!.tide.asOf)}</th>
      <th class="words" scope="col">Known up to</th>
      <th class="words" scope="col">Latest statement</th>
      <th scope="col">The bank closes with</th>
      <th scope="col">Here on that day</th>
      <th class="words w-full" scope="col"></th>
    </tr>
  </thead>
  <tbody>
    {#each accounts as account (account.id)}
      <tr>
        <th class="words" scope="row">{account.name}</th>
        <td>{plan.money.full(account.balance)}</td>
        <td class="words">{longDay(account.knownTo)}</td>
        {#if account.statementTo === null || account.closing === null}
          <td class="words hush" colspan="3">none that says a balance</td>
          <td></td>
        {:else}
          <td class="words">up to {longDay(account.statementTo)}</td>
          <td>{plan.money.full(account.closing)}</td>
          <td>{plan.money.full(account.booked)}</td>
          <td class="words">
            {#if account.closing === account.booked}<span class="hush">the same</span>{:else}<span class="bad"
                >not the same: look at its statements in Position</span
              >{/if}
          </td>
        {/if}
      </tr>
    {/each}
  </tbody>
</table>
