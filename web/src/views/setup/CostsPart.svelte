<script lang="ts">
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
    <div class="mt-1 flex flex-wrap items-center gap-2">
      <input class="small-field w-[200px]" aria-label="Name of cost {i + 1}" maxlength="120" bind:value={cost.name} />
      <input
        class="small-field w-[120px] text-right"
        placeholder="amount"
        aria-label="Amount of cost {i + 1}"
        bind:value={cost.amount}
        aria-invalid={!!refusals[`cost${i}`]}
      />
      <select class="small-field" aria-label="How often cost {i + 1} is paid" bind:value={cost.every}>
        <option value="week">every week</option><option value="fortnight">every two weeks</option>
        <option value="month">every month</option><option value="quarter">every quarter</option>
      </select>
      <input
        class="small-field w-[150px]"
        placeholder="next on, 2026-03-28"
        aria-label="Next date of cost {i + 1}"
        bind:value={cost.first}
        aria-invalid={!!refusals[`cost${i}`]}
      />
      {#if refusals[`cost${i}`]}<span class="bad" role="alert">{refusals[`cost${i}`]}</span>{/if}
    </div>
  {/each}
  <button
    type="button"
    class="mt-1 underline"
    onclick={() => wizard.costs.push({ name: '', amount: '', every: 'month', first: '' })}>Another cost</button
  >
</section>
