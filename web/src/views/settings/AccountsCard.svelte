<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { noDay, readDay } from '../../lib/dates';
  import { grouped, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { Said } from '../../lib/said.svelte';

  type AccountJson = Schemas['sent.account'];

  const plan = getPlan();
  const said = new Said();
  let name = $state('');
  let balance = $state('');

  function answered(edit: (version: number) => ReturnType<Parameters<typeof plan.edit>[0]>): Promise<string> {
    return plan.edit(edit).then((problem) => problem?.detail ?? '');
  }

  function putWhole(version: number, id: string, json: AccountJson) {
    return answer(
      api.PUT('/api/plans/{plan}/accounts/{id}', {
        params: { path: { plan: plan.id, id }, query: { version } },
        body: json,
      }),
    );
  }

  /** Changes a part of an account, as edits still under way leave it. */
  function put(id: string, part: Partial<AccountJson>): Promise<string> {
    return answered((version) => {
      const { name, country, restricted, balanceDate, balance } = plan.view!.accounts.find((one) => one.id === id)!;
      const now = { id, name, country, restricted, balanceDate, balance: plan.money.decimal(balance) };
      return putWhole(version, id, { ...now, ...part });
    });
  }

  function setBalance(id: string, typed: string) {
    const amount = readAmount(typed);
    return amount === null
      ? `'${typed}' is no amount: type a number such as 1,250.50, below zero when overdrawn.`
      : put(id, { balance: amount });
  }

  function setDate(id: string, typed: string) {
    const day = readDay(typed);
    return day ? put(id, { balanceDate: day }) : noDay(typed);
  }

  async function add(e: Event) {
    e.preventDefault();
    const amount = readAmount(balance);
    if (!name.trim()) said.now('Give the account a name.');
    else if (amount === null)
      said.now(`'${balance}' is no amount: type the booked balance, such as 1,250.50, below zero when overdrawn.`);
    else {
      const country = plan.view!.accounts[0]?.country ?? 'GB';
      const balanceDate = plan.view!.settings.asOf;
      const id = crypto.randomUUID();
      const account = { id, name, country, restricted: false, balanceDate, balance: amount };
      if (await said.of(answered((version) => putWhole(version, id, account)))) name = balance = '';
    }
  }

  function remove(id: string): Promise<string> {
    return answered((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/accounts/{id}', { params: { path: { plan: plan.id, id }, query: { version } } }),
      ),
    );
  }
</script>

<section class="card" aria-label="Bank accounts">
  <b class="font-semibold">Bank accounts</b>
  <span class="hush">a balance on one day; movements carry it to every other</span>
  <table class="figures mt-1">
    <thead>
      <tr>
        <th class="words" scope="col">Name</th><th class="words" scope="col">Holidays</th><th scope="col">Balance</th>
        <th class="words" scope="col">at the end of</th><th class="words" scope="col">Restricted</th><th scope="col"
        ></th>
      </tr>
    </thead>
    <tbody>
      {#each plan.view!.accounts as account (account.id)}
        <tr>
          <td class="words"
            ><TypedField
              class="w-[130px]"
              name="Name"
              maxlength={120}
              value={account.name}
              onput={(name) => put(account.id, { name })}
            /></td
          >
          <td class="words">
            <ChoiceField
              name="Whose bank holidays count"
              value={account.country}
              onput={(chosen) => put(account.id, { country: chosen })}
              options={plan.view!.countries}
            />
          </td>
          <td
            ><TypedField
              class="w-[104px] text-right"
              name="Balance"
              value={grouped(plan.money.decimal(account.balance))}
              onput={(typed) => setBalance(account.id, typed)}
            /></td
          >
          <td class="words"
            ><TypedField
              class="w-[96px]"
              name="Date of the balance"
              value={account.balanceDate}
              onput={(typed) => setDate(account.id, typed)}
            /></td
          >
          <td class="words"
            ><input
              type="checkbox"
              aria-label="Restricted"
              checked={account.restricted}
              onchange={(e) => said.of(put(account.id, { restricted: e.currentTarget.checked }))}
            /></td
          >
          <td
            ><button class="hush" aria-label="Take {account.name} out" onclick={() => said.of(remove(account.id))}
              >×</button
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  <form class="mt-2 flex gap-2" onsubmit={add}>
    <EntryField
      class="w-[150px]"
      placeholder="another account"
      name="Name of a new account"
      maxlength={120}
      bind:value={name}
    />
    <EntryField
      class="w-[104px] text-right"
      placeholder="balance"
      name="Balance of a new account"
      bind:value={balance}
    />
    <Act type="submit">Add</Act>
  </form>
  <Refusal words={said.words} class="mt-1" />
</section>
