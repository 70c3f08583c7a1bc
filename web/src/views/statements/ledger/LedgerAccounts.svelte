<script lang="ts">
  import { answer, api, type Schemas } from '../../../lib/api';
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import { choices, isOf, MOST, said, shownAccounts } from './ledger';

  interface Props {
    accounts: Schemas['LedgerAccountView'][];
    rows: Schemas['LedgerRowView'][];
  }

  let { accounts, rows }: Props = $props();
  const plan = getPlan();
  let asked = $state('');
  const shown = $derived(shownAccounts(accounts, asked));
  const options = $derived(choices(rows, plan.view?.lines ?? []));

  async function say(account: string, choice: string): Promise<string> {
    const refused = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/ledger/accounts', {
          params: { path: { plan: plan.id }, query: { version } },
          body: [{ account, ...said(choice) }],
        }),
      ),
    );
    return refused?.detail ?? '';
  }
</script>

<section class="card" aria-label="Accounts of the ledger">
  <div class="flex items-center gap-3">
    <b class="flex-1 font-semibold">What each account is</b>
    <label>Find <input class="small-field ml-1" bind:value={asked} /></label>
  </div>
  <table class="figures mt-2">
    <thead>
      <tr>
        <th class="words" scope="col">Account</th>
        <th scope="col">Balance, debits less credits</th>
        <th class="words" scope="col">Stands in</th>
      </tr>
    </thead>
    <tbody>
      {#each shown.slice(0, MOST) as one (one.account)}
        <tr>
          <th scope="row" class="words">{one.account} {one.name === one.account ? '' : one.name}</th>
          <td>{plan.money.cell(one.minor)}</td>
          <td class="words">
            <ChoiceField
              name="What account {one.account} is"
              value={isOf(one)}
              {options}
              onput={(choice) => say(one.account, choice)}
            />
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if shown.length > MOST}
    <p class="hush mt-1">{MOST} of {shown.length} accounts are shown: find others by number or name.</p>
  {/if}
</section>
