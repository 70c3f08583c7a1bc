<script lang="ts">
  import EntryField from '../../../lib/fields/EntryField.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import { longDay, noDay, readDay, type Day } from '../../../lib/dates';
  import { grouped, noAmount, readAmount } from '../../../lib/money';
  import Refusal from '../../../lib/Refusal.svelte';
  import { Said } from '../../../lib/said.svelte';
  import type { Step } from '../save';

  interface Props {
    label: string;
    /** Whether labels stand in a column of equal width, as under one another. */
    wide?: boolean;
    steps: Step[];
    /** The date a first value holds from. */
    first: Day;
    /** Changes the steps, as edits still under way leave them; gives the refusal, or nothing. */
    onchange: (change: (now: Step[]) => Step[]) => Promise<string>;
  }

  let { label, wide = false, steps, first, onchange }: Props = $props();
  const said = new Said();
  let adding = $state(false);
  let fromTyped = $state('');
  let valueTyped = $state('');

  /** Puts a value in force from a day on; the server refuses two from the same one. */
  function add(from: string, value: string): Promise<string> {
    return onchange((now) => [...now, { from, value }].sort((a, b) => a.from.localeCompare(b.from)));
  }

  function setValue(from: string, typed: string) {
    const value = readAmount(typed);
    return value === null
      ? noAmount(typed)
      : onchange((now) => now.map((one) => (one.from === from ? { from, value } : one)));
  }

  function setFirst(typed: string) {
    const value = readAmount(typed);
    return value === null ? noAmount(typed) : add(first, value);
  }

  async function submit(e: Event) {
    e.preventDefault();
    const from = readDay(fromTyped);
    const value = readAmount(valueTyped);
    if (!from || value === null) {
      said.now([from ? '' : noDay(fromTyped), value === null ? noAmount(valueTyped) : ''].join(' ').trim());
    } else if (await said.of(add(from, value))) {
      adding = false;
      fromTyped = valueTyped = '';
    }
  }
</script>

<div>
  <div class="flex flex-wrap items-baseline gap-x-3 gap-y-1">
    <span class="hush {wide ? 'w-[140px]' : ''}">{label}</span>
    {#if steps.length === 0}
      <TypedField name={label} class="w-[110px] text-right" placeholder="0" value="" onput={setFirst} />
    {/if}
    {#each steps as step, i (step.from)}
      <span class="whitespace-nowrap">
        <TypedField
          name="{label} from {longDay(step.from)}"
          after="from {longDay(step.from)}"
          class="w-[110px] text-right"
          value={grouped(step.value)}
          onput={(typed) => setValue(step.from, typed)}
        />
        {#if i > 0}
          <button
            class="hush"
            aria-label="Take the step from {longDay(step.from)} out"
            onclick={() => said.of(onchange((now) => now.filter((one) => one.from !== step.from)))}>×</button
          >
        {/if}
      </span>
    {/each}
    {#if adding}
      <form class="flex items-center gap-2" onsubmit={submit}>
        <EntryField class="w-[104px]" placeholder="from, 2026-07-01" name="From" bind:value={fromTyped} autofocus />
        <EntryField class="w-[90px] text-right" placeholder="amount" name="New amount" bind:value={valueTyped} />
        <button class="underline" type="submit">Add</button>
        <button class="underline" type="button" onclick={() => (adding = false)}>Leave it</button>
      </form>
    {:else if steps.length}
      <button class="underline" onclick={() => (adding = true)}>change from a date…</button>
    {/if}
  </div>
  <Refusal words={said.words} class="mt-1" />
</div>
