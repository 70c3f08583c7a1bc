<script lang="ts">
  import { monthName } from '../../lib/dates';
  import Field from './Field.svelte';
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
    <Field label="Its name"
      ><input class="small-field w-[200px]" maxlength="120" bind:value={wizard.stream.name} /></Field
    >
    {#each wizard.stream.history as _, i (i)}
      <Field
        label={months[i] ? `Sales of ${monthName(months[i])} ${months[i].slice(0, 4)}` : `Sales ${i + 1} months ago`}
        refusal={refusals[`history${i}`]}
      >
        <input
          class="small-field w-[120px] text-right"
          bind:value={wizard.stream.history[i]}
          aria-invalid={!!refusals[`history${i}`]}
        />
      </Field>
    {/each}
    <Field label="Sales a month from now on" refusal={refusals.coming}>
      <input
        class="small-field w-[140px] text-right"
        placeholder="as last month"
        bind:value={wizard.stream.coming}
        aria-invalid={!!refusals.coming}
      />
    </Field>
  </div>
  <b class="mt-3 block font-semibold">Of a month's sales, customers pay</b>
  <div class="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
    <label
      ><input class="small-field w-[56px] text-right" bind:value={wizard.stream.sameMonth} /> % in the same month</label
    >
    <label><input class="small-field w-[56px] text-right" bind:value={wizard.stream.oneLater} /> % a month later</label>
    <label
      ><input class="small-field w-[56px] text-right" bind:value={wizard.stream.twoLater} /> % two months later</label
    >
    <label><input class="small-field w-[56px] text-right" bind:value={wizard.stream.never} /> % never</label>
    {#if refusals.shares}<span class="bad" role="alert">{refusals.shares}</span>{/if}
  </div>
</section>
