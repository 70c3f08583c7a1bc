<script lang="ts">
  import { showScenario } from '../place.svelte';
  import { getPlan } from '../plan.svelte';
  import { flown } from './pennant';

  const plan = getPlan();
  const shown = $derived(plan.view?.shown);
</script>

<!-- Which future every view shows; nothing where there is the base alone. -->
{#if plan.view?.scenarios.length}
  <select
    class="pennant {shown ? 'flown' : ''}"
    aria-label="Scenario shown in every view"
    title="The scenario shown in every view (Alt P: the next, Alt B: the base)"
    value={shown?.id ?? ''}
    onchange={(e) => showScenario(e.currentTarget.value)}
  >
    <option value="">Base</option>
    {#each flown(plan.view) as one (one.id)}
      <option value={one.id}>{one.name}</option>
    {/each}
    {#if shown && !flown(plan.view).some((one) => one.id === shown.id)}
      <option value={shown.id}>{shown.name}, put by</option>
    {/if}
  </select>
  {#if shown?.lost}
    <span
      class="rounded-[3px] bg-buoy px-1 text-[11px] font-semibold text-abyss"
      title="Changes of this scenario find nothing: its figures are those of the rest. What-if says which"
      >{shown.lost} lost</span
    >
  {/if}
{/if}
