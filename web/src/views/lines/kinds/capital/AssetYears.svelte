<script lang="ts">
  import Act from '../../../../lib/Act.svelte';
  import { answer, api } from '../../../../lib/api';
  import { head } from '../../../../lib/grid/figures';
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
          <th class="words" rowspan="2" scope="col">Asset</th>
          <th rowspan="2" scope="col">cost so far</th>
          <th rowspan="2" scope="col">net so far</th>
          {#each loaded.data.years as year (year.first)}
            {@const period = head({ from: year.first, to: year.last })}
            <th colspan="3" scope="colgroup">{period.name}<small>{period.sub}</small></th>
          {/each}
        </tr>
        <tr>
          {#each loaded.data.years as year (year.first)}
            <th class="font-normal" scope="col">bought</th>
            <th class="font-normal" scope="col">used up</th>
            <th class="font-normal" scope="col">net at its end</th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each loaded.data.rows as row (row.asset)}
          <tr class:font-[650]={row.asset === ''}>
            <th class="words" scope="row">{row.asset || 'All of them'}</th>
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
