<script lang="ts">
  import { answer, api, fileForm } from '../../../lib/api';
  import BringRows from '../../../lib/BringRows.svelte';
  import { monthName } from '../../../lib/dates';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import LedgerAccounts from './LedgerAccounts.svelte';
  import { monthAfter, monthOf } from './ledger';

  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/ledger', { params: { path: { plan: plan.id } }, signal }));
  });
  const view = $derived(loaded.data);
  /** The month that is proposed: the one after the last that is there, else the last that is over. */
  const next = $derived(view?.months.length ? monthAfter(view.months.at(-1)!) : monthOf(plan.settings.asOf ?? ''));
  const long = (which: string) => `${monthName(`${which}-01`)} ${which.slice(0, 4)}`;
  let typed = $state('');
  const month = $derived(typed || next);
  let refusal = $state('');

  const read = (file: Blob) =>
    answer(
      api.POST('/api/plans/{plan}/ledger/months/{month}', {
        params: { path: { plan: plan.id, month }, query: { version: plan.version } },
        ...fileForm(file, 'ledger.csv'),
      }),
    );

  async function remove(which: string) {
    const refused = await plan.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/ledger/months/{month}', {
          params: { path: { plan: plan.id, month: which }, query: { version } },
        }),
      ),
    );
    refusal = refused?.detail ?? '';
  }

  async function run(monthAlone: boolean) {
    const refused = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/ledger/runs', {
          params: { path: { plan: plan.id }, query: { version } },
          body: { monthAlone },
        }),
      ),
    );
    refusal = refused?.detail ?? '';
  }
</script>

<Refusal words={loaded.problem?.detail} />
{#if view}
  <section class="card mb-3" aria-label="Trial balances">
    <b class="font-semibold">Trial balances of months that are over</b>
    <p class="hush mt-1">
      They stand before the months that are forecast, in the income statement and the balance sheet. Profit tax,
      dividends and covenants read them in place of what is typed.
    </p>
    {#if view.months.length}
      <ul class="mt-2 flex flex-wrap gap-x-5 gap-y-1" aria-label="Months">
        {#each view.months as one (one)}
          <li>
            {long(one)}
            <button class="underline decoration-dotted" aria-label="Take {long(one)} out" onclick={() => remove(one)}
              >take out</button
            >
          </li>
        {/each}
      </ul>
    {/if}
    <label class="mt-2 block"
      >Month of the next one
      <input
        class="small-field ml-1 w-[120px]"
        placeholder="2026-03"
        value={month}
        onchange={(e) => (typed = e.currentTarget.value.trim())}
      /></label
    >
    <BringRows
      of="the trial balance"
      hint="The number of an account, its name and its balance (debits less credits), or debit and credit, in each row."
      {read}
      count={(got) => got.accounts}
      ontake={(got) => {
        if (got.edit) plan.became(got.edit);
        typed = '';
        return Promise.resolve('');
      }}
    />
    <label class="mt-2 block"
      ><input
        type="checkbox"
        class="mr-1"
        checked={view.monthAlone}
        onchange={(e) => run(e.currentTarget.checked)}
      />income accounts begin anew each month, in place of each fiscal year</label
    >
    <Refusal words={refusal} class="mt-1" />
    {#if view.remarks.length}
      <ul class="mt-2 list-disc pl-5" aria-label="To look at">
        {#each view.remarks as remark (remark)}<li>{remark}.</li>{/each}
      </ul>
    {/if}
  </section>
  {#if view.accounts.length}<LedgerAccounts accounts={view.accounts} rows={view.rows} />{/if}
{/if}
