<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { grouped, noAmount, readAmount } from '../../lib/money';
  import type { Settings } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';

  type Years = NonNullable<Settings['years']>;

  interface Props {
    /** The figure that is typed over: its row, by id and name, and its year, by name and as it is called. */
    row: string;
    name: string;
    year: number;
    label: string;
    years: Years;
    onput: (how: (now: Years) => Years) => Promise<string>;
  }

  let { row, name, year, label, years, onput }: Props = $props();
  const there = $derived(years.overrides?.find((one) => one.row === row && one.year === year));
  let amount = $state('');
  let reason = $state('');
  let refusal = $state('');

  const others = (now: Years) => (now.overrides ?? []).filter((one) => one.row !== row || one.year !== year);

  async function put() {
    const read = readAmount(amount);
    refusal =
      read === null
        ? noAmount(amount)
        : !reason.trim()
          ? 'Say why: an override without a reason cannot be judged.'
          : '';
    if (refusal || read === null) return;
    refusal = await onput((now) => ({
      ...now,
      overrides: [...others(now), { row, year, amount: read, reason: reason.trim() }],
    }));
    if (!refusal) amount = reason = '';
  }
</script>

<section class="card mt-2" aria-label="Override of {name} in {label}">
  {#if there}
    <p class="mb-1">
      {name} in {label} is typed over with {grouped(there.amount)}: {there.reason}
      <button class="ml-2 underline" onclick={() => void onput((now) => ({ ...now, overrides: others(now) }))}
        >Lift it</button
      >
    </p>
  {/if}
  <form
    class="flex flex-wrap items-end gap-2"
    onsubmit={(e) => {
      e.preventDefault();
      void put();
    }}
  >
    <EntryField
      label="Type over {name} in {label}"
      above
      class="w-[130px] text-right"
      placeholder="amount"
      bind:value={amount}
    />
    <EntryField label="because" above class="w-[320px]" placeholder="reason" bind:value={reason} />
    <Act type="submit">Override</Act>
  </form>
  <Refusal words={refusal} class="mt-1" />
</section>
