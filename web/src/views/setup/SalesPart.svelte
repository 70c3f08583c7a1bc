<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { monthName } from '../../lib/dates';
  import { lastMonths, type Refusals, type Wizard } from './wizard';

  interface Props {
    wizard: Wizard;
    refusals: Refusals;
  }

  let { wizard = $bindable(), refusals }: Props = $props();
  const months = $derived(lastMonths(wizard.asOf));
</script>

<section class="card" aria-label="Sales">
  <b class="font-semibold">Your main stream of sales</b>
  <span class="hush">last months' sales are what comes in first: without them the first weeks would look empty</span>
  <div class="mt-2 flex flex-wrap items-start gap-x-4 gap-y-2">
    <EntryField above label="Its name" class="w-[200px]" maxlength={120} bind:value={wizard.stream.name} />
    {#each wizard.stream.history as _, i (i)}
      <EntryField
        above
        label={months[i] ? `Sales of ${monthName(months[i])} ${months[i].slice(0, 4)}` : `Sales ${i + 1} months ago`}
        class="w-[120px] text-right"
        bind:value={() => wizard.stream.history[i] ?? '', (typed) => (wizard.stream.history[i] = typed)}
        refusal={refusals[`history${i}`]}
      />
    {/each}
    <EntryField
      above
      label="Sales a month from now on"
      class="w-[140px] text-right"
      placeholder="as last month"
      bind:value={wizard.stream.coming}
      refusal={refusals.coming}
    />
  </div>
  <b class="mt-3 block font-semibold">Of a month's sales, customers pay</b>
  <div class="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
    <EntryField class="w-[56px] text-right" bind:value={wizard.stream.sameMonth} after="% in the same month" />
    <EntryField class="w-[56px] text-right" bind:value={wizard.stream.oneLater} after="% a month later" />
    <EntryField class="w-[56px] text-right" bind:value={wizard.stream.twoLater} after="% two months later" />
    <EntryField class="w-[56px] text-right" bind:value={wizard.stream.never} after="% never" />
    {#if refusals.shares}<span class="bad" role="alert">{refusals.shares}</span>{/if}
  </div>
</section>
