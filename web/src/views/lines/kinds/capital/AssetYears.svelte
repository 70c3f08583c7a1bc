<script lang="ts">
  import Act from '../../../../lib/Act.svelte';
  import { answer, api } from '../../../../lib/api';
  import { monthName } from '../../../../lib/dates';
  import { Loaded } from '../../../../lib/loaded.svelte';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Refusal from '../../../../lib/Refusal.svelte';

  interface Props {
    /** The line whose assets they are. */
    id: string;
  }

  let { id }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/lines/{id}/assets', { params: { path: { plan: plan.id, id } }, signal }));
  });

  /** All assets of the plan as a file; a link has no headers to say what is looked at. */
  const csv = $derived(
    `/api/plans/${plan.id}/statements/csv?show=assets` +
      (plan.view?.shown ? `&scenario=${encodeURIComponent(plan.view.shown.id)}` : ''),
  );

  function span(year: { first: string; last: string }): string {
    const [from, to] = [year.first.slice(0, 4), year.last.slice(0, 4)];
    return from === to ? from : `${from} to ${to}`;
  }
</script>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if loaded.data?.rows.length}
  <section class="card mb-2.5 overflow-x-auto" aria-label="Assets by fiscal year">
    <div class="mb-1 flex items-baseline gap-3">
      <b class="flex-1 font-semibold">By fiscal year</b>
      <span class="hush">{plan.money.words}</span>
      <Act href={csv}>Export CSV</Act>
    </div>
    <table class="figures tight">
      <thead>
        <tr>
          <th class="words" rowspan="2">Asset</th>
          <th rowspan="2">cost so far</th>
          <th rowspan="2">net so far</th>
          {#each loaded.data.years as year (year.first)}
            <th colspan="3">{monthName(year.first)} to {monthName(year.last)}<small>{span(year)}</small></th>
          {/each}
        </tr>
        <tr>
          {#each loaded.data.years as year (year.first)}
            <th class="font-normal">bought</th>
            <th class="font-normal">used up</th>
            <th class="font-normal">net at its end</th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each loaded.data.rows as row (row.asset)}
          <tr class:font-[650]={row.asset === ''}>
            <th class="words">{row.asset || 'All of them'}</th>
            <td class="estimated">{plan.money.cell(row.cost)}</td>
            <td class="estimated">{plan.money.cell(row.net)}</td>
            {#each row.years as year, i (i)}
              <td class="estimated">{plan.money.cell(year.bought)}</td>
              <td
                class="estimated"
                title={year.sold ? `sold at a book value of ${plan.money.sum(year.sold)}` : undefined}
                >{plan.money.cell(year.depreciation)}</td
              >
              <td class="estimated">{plan.money.cell(year.net)}</td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </section>
{/if}
