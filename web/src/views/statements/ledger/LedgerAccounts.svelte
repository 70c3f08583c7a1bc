<script lang="ts">
  import Act from '../../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../../lib/api';
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
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

  const proposed = $derived(accounts.filter((one) => one.proposed));
  let refusal = $state('');

  async function say(body: Schemas['SaidAccount'][]): Promise<string> {
    const refused = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/ledger/accounts', {
          params: { path: { plan: plan.id }, query: { version } },
          body,
        }),
      ),
    );
    return refused?.detail ?? '';
  }

  async function take() {
    refusal = await say(proposed.map((one) => ({ account: one.account, row: one.proposed, line: null })));
  }

  const proposal = (one: Schemas['LedgerAccountView']) => rows.find((row) => row.row === one.proposed)?.name;
</script>

<section class="card" aria-label="Accounts of the ledger">
  <div class="flex items-center gap-3">
    <b class="flex-1 font-semibold">What each account is</b>
    {#if proposed.length}
      <Act onclick={take}>Take what {proposed.length === 1 ? 'its name says' : `${proposed.length} names say`}</Act>
    {/if}
    <label>Find <input class="small-field ml-1" bind:value={asked} /></label>
  </div>
  <Refusal words={refusal} class="mt-1" />
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
              after={proposal(one) ? `its name says: ${proposal(one)}` : undefined}
              onput={(choice) => say([{ account: one.account, ...said(choice) }])}
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
