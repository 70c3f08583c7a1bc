<script lang="ts">
  import { answer, api, type Schemas } from '../../../lib/api';
  import { fullDay, shortDay } from '../../../lib/dates';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import { putScenario } from '../putting';
  import { freeName } from '../whatif';

  interface Props {
    /** The names of scenarios there are. */
    names: string[];
    /** Hears of the scenario that a lever was made. */
    onmade: (id: string) => void;
  }

  let { names, onmade }: Props = $props();
  const plan = getPlan();
  const levers = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/levers', { params: { path: { plan: plan.id } }, signal }));
  });

  async function make({ scenario }: Schemas['LeverView']) {
    if (!(await putScenario(plan, { ...scenario, name: freeName(scenario.name, names) }))) onmade(scenario.id);
  }
</script>

{#if levers.problem}
  <Refusal words={levers.problem.detail} />
{:else if levers.data}
  <section class="card mt-3" aria-label="What can be done about it">
    <h2 class="mb-1 font-semibold">
      What can be done about it
      <span class="hush font-normal">each by itself, by what it gives back at low water</span>
    </h2>
    {#if levers.data.length}
      <table class="figures">
        <thead>
          <tr
            ><th class="words">Lever</th><th class="words">works from</th><th>gives back</th><th>least headroom then</th
            ><th>on</th><th class="words"></th></tr
          >
        </thead>
        <tbody>
          {#each levers.data as one (one.words)}
            <tr>
              <th class="words">{one.words}</th>
              <td class="words">{fullDay(one.from)}</td>
              <td>{plan.money.full(one.givesBack)}</td>
              <td class={one.figures.headroom < 0 ? 'bad' : ''}>{plan.money.full(one.figures.headroom)}</td>
              <td>{shortDay(one.figures.lowWater)}</td>
              <td class="words"
                ><button class="underline" aria-label="Make a scenario: {one.words}" onclick={() => void make(one)}
                  >make a scenario of it</button
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <p class="hush">
        Holding bills, chasing debtors, delaying what is planned or drawing sooner lifts low water by nothing.
      </p>
    {/if}
  </section>
{/if}
