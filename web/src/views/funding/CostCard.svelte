<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { addressOfLine } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';

  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/funding/costs', { params: { path: { plan: plan.id } }, signal }));
  });
  const costs = $derived(loaded.data ?? []);
</script>

{#if costs.length}
  <section class="card mb-3" aria-label="What each costs in all">
    <b class="font-semibold">What each costs in all</b>
    <span class="hush ml-2"
      >a loan over its life, a facility if it carried all that is drawn up to the horizon; a line that is switched off
      counts as an offer</span
    >
    <table class="figures mt-1">
      <thead>
        <tr>
          <th class="words" scope="col">Facility, loan or lease</th><th class="words" scope="col"></th>
          <th scope="col">Owed on average</th><th scope="col">Interest</th><th scope="col">Fees</th>
          <th scope="col">Together</th><th scope="col">All in, a year</th>
        </tr>
      </thead>
      <tbody>
        {#each costs as one (one.lineId)}
          <tr>
            <th class="words" scope="row"
              ><button
                class="underline decoration-dotted"
                aria-label="Open {one.name}"
                onclick={() => void push(addressOfLine(plan, one.lineId))}>{one.name}</button
              ></th
            >
            <td class="words hush">{one.offer ? 'offer' : one.loan ? 'loan or lease' : 'facility'}</td>
            <td>{plan.money.full(one.owed)}</td>
            <td>{plan.money.full(one.interest)}</td>
            <td>{plan.money.full(one.fees)}</td>
            <td>{plan.money.full(one.total)}</td>
            <td title={one.because}>{one.allIn ? `${one.allIn}%` : '–'}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </section>
{/if}
