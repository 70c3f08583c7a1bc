<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import Act from '../../../lib/Act.svelte';
  import { answer, api, fileForm } from '../../../lib/api';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import BudgetTable from './BudgetTable.svelte';
  import { proposed, type BudgetView, type Target } from './budget';

  const plan = getPlan();
  let picker = $state<HTMLInputElement>();
  let file = $state.raw<File>();
  let budget = $state.raw<BudgetView>();
  let targets = $state<Target[]>([]);
  let refusal = $state('');
  let taken = $state('');

  async function look(chosen: File, sheet?: string) {
    file = chosen;
    taken = '';
    const got = await answer(
      api.POST('/api/plans/{plan}/budget', {
        params: { path: { plan: plan.id }, query: sheet ? { sheet } : {} },
        ...fileForm(chosen),
      }),
    );
    refusal = got.ok ? '' : got.problem.detail;
    budget = got.ok ? got.data : undefined;
    targets = got.ok ? got.data.rows.map(proposed) : [];
  }

  async function take() {
    const rows = budget!.rows.flatMap(({ label, amounts }, i) => {
      const target = targets[i]!;
      if (target.kind === 'out') return [];
      return [
        target.kind === 'line'
          ? { label, lineId: target.id, direction: null, amounts }
          : { label, lineId: null, direction: target.direction, amounts },
      ];
    });
    const problem = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/budget/take', {
          params: { path: { plan: plan.id }, query: { version } },
          body: rows,
        }),
      ),
    );
    refusal = problem?.detail ?? '';
    if (!problem) {
      budget = undefined;
      taken = `${rows.length} rows were taken over. Their timing, tax and terms are those of their lines; Ctrl Z takes it back.`;
    }
  }

  const count = $derived(targets.filter((target) => target.kind !== 'out').length);
</script>

<section class="card" aria-label="Budget">
  <div class="flex items-baseline gap-3">
    <b class="font-semibold">Bring in a budget</b>
    <span class="hush flex-1"
      >a sheet with months as headings, XLSX or CSV, as it is: it comes in as what is earned and incurred by month</span
    >
    <Act main={!budget} onclick={() => picker?.click()}>Choose a file</Act>
  </div>
  <input
    class="sr-only"
    type="file"
    accept=".xlsx,.csv,text/csv"
    aria-label="Budget file"
    tabindex="-1"
    bind:this={picker}
    onchange={(e) => {
      const chosen = e.currentTarget.files?.[0];
      e.currentTarget.value = '';
      if (chosen) void look(chosen);
    }}
  />
  <Refusal words={refusal} class="mt-1" />
  {#if taken}<p class="mt-1" role="status">{taken}</p>{/if}
  {#if budget}
    <div class="my-2 flex items-baseline gap-3">
      <span class="flex-1">{file!.name}: {budget.months.length} months, {budget.rows.length} rows</span>
      {#if budget.sheets.length > 1}
        <ChoiceField
          label="sheet"
          value={budget.sheet}
          onchoose={(chosen) => void look(file!, chosen)}
          options={budget.sheets}
        />
      {/if}
      <Act main onclick={() => void take()} disabled={count === 0}>Take {count} rows over</Act>
      <Act onclick={() => (budget = undefined)}>Leave it</Act>
    </div>
    <BudgetTable {budget} {targets} onchoose={(i, target) => (targets[i] = target)} />
  {/if}
</section>
