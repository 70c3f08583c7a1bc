<script lang="ts">
  import type { LineView } from '../../../../lib/api';
  import { longDay, shortDay } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';

  interface Props {
    early: NonNullable<LineView['early']>;
  }

  let { early }: Props = $props();
  const plan = getPlan();
  const shown = $derived(early.weeks.slice(0, 13));
</script>

<div class="card mb-2.5">
  <b class="font-semibold">{early.verdict}</b>
  <p class="hush mt-1">
    Headroom at low water without it {plan.money.sum(early.lowWater)} on {longDay(early.lowWaterDay)}, with it {plan.money.sum(
      early.lowWaterWith,
    )} on {longDay(early.lowWaterDayWith)}.
  </p>
  {#if shown.length}
    <div class="overflow-x-auto">
      <table class="figures mt-1">
        <thead>
          <tr
            ><th class="words" scope="col">week from</th>
            {#each shown as week (week.from)}<th scope="col">{shortDay(week.from)}</th>{/each}</tr
          >
        </thead>
        <tbody>
          <tr class="estimated"
            ><th scope="row" class="words not-italic">cash with it, more or less</th>
            {#each shown as week (week.from)}<td title={plan.money.sum(week.change)}>{plan.money.cell(week.change)}</td
              >{/each}</tr
          >
        </tbody>
      </table>
    </div>
  {/if}
</div>
