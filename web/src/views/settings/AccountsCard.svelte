<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { readDay } from '../../lib/dates';
  import { grouped, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';

  type Account = Schemas['AccountView'];

  const plan = getPlan();
  let refusal = $state('');
  let name = $state('');
  let balance = $state('');

  async function put(json: Record<string, unknown> & { id: string }): Promise<boolean> {
    const problem = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/accounts/{id}', {
          params: { path: { plan: plan.id, id: json.id }, query: { version } },
          body: json as never,
        }),
      ),
    );
    refusal = problem?.detail ?? '';
    return !problem;
  }

  function jsonOf(account: Account) {
    const { id, name, country, restricted, balanceDate } = account;
    return { id, name, country, restricted, balanceDate, balance: plan.money.decimal(account.balance) };
  }

  function setBalance(account: Account, typed: string) {
    const amount = readAmount(typed);
    if (amount === null)
      refusal = `'${typed}' is no amount: type a number such as 1,250.50, below zero when overdrawn.`;
    else void put({ ...jsonOf(account), balance: amount });
  }

  function setDate(account: Account, typed: string) {
    const day = readDay(typed);
    if (day) void put({ ...jsonOf(account), balanceDate: day });
    else refusal = `'${typed}' is no date: type one such as 2026-03-01.`;
  }

  async function add(e: Event) {
    e.preventDefault();
    const amount = readAmount(balance);
    if (!name.trim()) refusal = 'Give the account a name.';
    else if (amount === null)
      refusal = `'${balance}' is no amount: type the booked balance, such as 1,250.50, below zero when overdrawn.`;
    else {
      const country = plan.view!.accounts[0]?.country ?? 'GB';
      const made = await put({
        id: crypto.randomUUID(),
        name,
        country,
        restricted: false,
        balanceDate: String(plan.settings.asOf),
        balance: amount,
      });
      if (made) name = balance = '';
    }
  }

  function remove(id: string) {
    void plan
      .edit((version) =>
        answer(
          api.DELETE('/api/plans/{plan}/accounts/{id}', {
            params: { path: { plan: plan.id, id }, query: { version } },
          }),
        ),
      )
      .then((problem) => (refusal = problem?.detail ?? ''));
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
            ><input
              class="small-field w-[130px]"
              aria-label="Name"
              maxlength="120"
              value={account.name}
              onchange={(e) => void put({ ...jsonOf(account), name: e.currentTarget.value })}
            /></td
          >
          <td class="words">
            <select
              class="small-field"
              aria-label="Whose bank holidays count"
              value={account.country}
              onchange={(e) => void put({ ...jsonOf(account), country: e.currentTarget.value })}
            >
              {#each plan.view!.countries as country (country)}<option>{country}</option>{/each}
            </select>
          </td>
          <td
            ><input
              class="small-field w-[104px] text-right"
              aria-label="Balance"
              value={grouped(plan.money.decimal(account.balance))}
              onchange={(e) => setBalance(account, e.currentTarget.value)}
            /></td
          >
          <td class="words"
            ><input
              class="small-field w-[96px]"
              aria-label="Date of the balance"
              value={account.balanceDate}
              onchange={(e) => setDate(account, e.currentTarget.value)}
            /></td
          >
          <td class="words"
            ><input
              type="checkbox"
              aria-label="Restricted"
              checked={account.restricted}
              onchange={(e) => void put({ ...jsonOf(account), restricted: e.currentTarget.checked })}
            /></td
          >
          <td
            ><button class="hush" aria-label="Take {account.name} out" onclick={() => remove(account.id)}>×</button></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  <form class="mt-2 flex gap-2" onsubmit={add}>
    <input
      class="small-field w-[150px]"
      placeholder="another account"
      aria-label="Name of a new account"
      maxlength="120"
      bind:value={name}
    />
    <input
      class="small-field w-[104px] text-right"
      placeholder="balance"
      aria-label="Balance of a new account"
      bind:value={balance}
    />
    <Act type="submit">Add</Act>
  </form>
  {#if refusal}<p class="bad mt-1" role="alert">{refusal}</p>{/if}
</section>
