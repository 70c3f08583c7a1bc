<script lang="ts">
  import TypedField from '../../../../../lib/fields/TypedField.svelte';
  import type { Day } from '../../../../../lib/dates';
  import { readPercent } from '../../../../../lib/money';
  import type { Driver, Save } from '../../../save';
  import GrowthMonths from './GrowthMonths.svelte';
  import StepsEditor from '../../../parts/StepsEditor.svelte';

  interface Props {
    /** What the number is: "pieces a month". */
    label: string;
    driver: Driver;
    /** The date a first value holds from. */
    first: Day;
    /** Changes the driver, as edits still under way leave it; gives the refusal, or nothing. */
    put: Save<Driver>;
  }

  let { label, driver, first, put }: Props = $props();
  const steps = $derived(driver.value);
  const growthOf = $derived(driver.growthOf);
  const grows = $derived(Number(driver.growth) !== 0 || Object.keys(growthOf).length > 0);

  function putGrowth(typed: string) {
    const growth = readPercent(typed);
    return growth === null
      ? `'${typed}' is no percentage: type a number such as 1.5, below zero where it shrinks.`
      : put((now) => ({ ...now, growth }), `${label} ${growth}% more a month`);
  }
</script>

<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
  <StepsEditor
    {label}
    wide
    {steps}
    {first}
    onchange={(change) => put((now) => ({ ...now, value: change(now.value) }), `${label} set`)}
  />
  {#if steps.length}
    <TypedField
      name="{label}, more each month in %"
      after="% more each month"
      class="w-[56px] text-right"
      value={driver.growth}
      onput={putGrowth}
    />
    {#if grows}<GrowthMonths of={label} {growthOf} {put} />{/if}
  {/if}
</div>
