<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import type { Refusals, Wizard } from './wizard';

  interface Props {
    wizard: Wizard;
    refusals: Refusals;
  }

  let { wizard = $bindable(), refusals }: Props = $props();
</script>

<section class="card" aria-label="Main costs">
  <b class="font-semibold">Your main costs</b> <span class="hush">a cost without an amount is left out</span>
  {#each wizard.costs as cost, i (i)}
    <div class="mt-1 flex flex-wrap items-start gap-2">
      <EntryField class="w-[200px]" name="Name of cost {i + 1}" maxlength={120} bind:value={cost.name} />
      <EntryField
        class="w-[120px] text-right"
        placeholder="amount"
        name="Amount of cost {i + 1}"
        bind:value={cost.amount}
        refusal={refusals[`cost${i}`]}
      />
      <ChoiceField
        name="How often cost {i + 1} is paid"
        bind:value={cost.every}
        options={[
          { value: 'week', name: 'every week' },
          { value: 'fortnight', name: 'every two weeks' },
          { value: 'month', name: 'every month' },
          { value: 'quarter', name: 'every quarter' },
        ]}
      />
      <EntryField
        class="w-[150px]"
        placeholder="next on, 2026-03-28"
        name="Next date of cost {i + 1}"
        bind:value={cost.first}
      />
    </div>
  {/each}
  <button
    type="button"
    class="mt-1 underline"
    onclick={() => wizard.costs.push({ name: '', amount: '', every: 'month', first: '' })}>Another cost</button
  >
</section>
