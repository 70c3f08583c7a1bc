<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import type { Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import CarryForm from './CarryForm.svelte';
  import type { Rolling } from './rolling';

  interface Props {
    roll: Schemas['RollView'];
    rolling: Rolling;
  }

  let { roll, rolling }: Props = $props();
  const plan = getPlan();
  let carrying = $state('');
</script>

{#if roll.differences.length === 0}
  <p class="card">
    {roll.to
      ? 'No month and no window closed on the way: what has not come yet is still expected.'
      : roll.reach
        ? 'Move the as-of date first: what closed on the way is asked about then.'
        : 'Bring in statements and move the as-of date first.'}
  </p>
{:else}
  <table class="figures" aria-label="Differences">
    <thead>
      <tr>
        <th class="words" scope="col">Line</th><th class="words" scope="col">Of</th><th scope="col">Planned</th><th
          scope="col">Came</th
        ><th scope="col">Open</th><th class="words w-full" scope="col">Decided</th>
      </tr>
    </thead>
    <tbody>
      {#each roll.differences as one (one.key)}
        <tr>
          <th class="words" scope="row">{one.name}</th>
          <td class="words">{one.words}</td>
          <td>{plan.money.full(one.planned)}</td>
          <td>{plan.money.full(one.actual)}</td>
          <td class={one.open < 0 ? 'bad' : ''}>{plan.money.full(one.open)}</td>
          <td class="words">
            {#if one.carried === null}
              <span class="flex gap-2">
                <Act onclick={() => (carrying = carrying === one.key ? '' : one.key)}>Carry</Act>
                <Act onclick={() => void rolling.drop(one.key)}>Drop</Act>
              </span>
            {:else if one.day === null}
              <span class="hush">dropped</span>
            {:else}
              {plan.money.full(one.carried)} carried to {longDay(one.day)}
            {/if}
          </td>
        </tr>
        {#if carrying === one.key && one.carried === null}
          <tr>
            <td colspan="6" class="words">
              <CarryForm difference={one} day={roll.carryTo} {rolling} onclose={() => (carrying = '')} />
            </td>
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
  <div class="mt-2 flex items-center gap-3">
    {#if roll.undecided}
      <Act onclick={() => void rolling.dropRest()}
        >{roll.undecided === 1 ? 'Drop it' : `Drop the ${roll.undecided} that are left`}</Act
      >
    {/if}
    <span class="hush"
      >Carry: what is missing still comes, and what came too much is less to come, on a day of your choice. Drop:
      neither. Only months and windows that closed are asked about.</span
    >
  </div>
{/if}
