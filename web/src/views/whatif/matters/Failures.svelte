<script lang="ts">
  import { answer, api } from '../../../lib/api';
  import { shortDay } from '../../../lib/dates';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';

  const plan = getPlan();
  const failures = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/failures', { params: { path: { plan: plan.id } }, signal }));
  });
</script>

{#if failures.data?.length}
  <section class="card mt-3" aria-label="If a customer fails">
    <h2 class="mb-1 font-semibold">
      If a customer fails
      <span class="hush font-normal">each of the largest by itself: what it owes, and its share of what is to come</span
      >
    </h2>
    <table class="figures">
      <thead>
        <tr
          ><th class="words">Customer</th><th>owes</th><th>least headroom</th><th></th><th>on</th><th>peak need</th></tr
        >
      </thead>
      <tbody>
        {#each failures.data as one (one.counterparty)}
          <tr>
            <th class="words">{one.counterparty}</th>
            <td>{plan.money.full(one.open)}</td>
            <td class={one.figures.headroom < 0 ? 'bad' : ''}>{plan.money.full(one.figures.headroom)}</td>
            <td class="hush">{plan.money.full(one.difference.headroom)}</td>
            <td>{shortDay(one.figures.lowWater)}</td>
            <td>{plan.money.full(one.figures.peakNeed)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </section>
{/if}
