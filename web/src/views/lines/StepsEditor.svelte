<script lang="ts">
  import { longDay, readDay, type Day } from '../../lib/dates';
  import { grouped, readAmount } from '../../lib/money';
  import type { StepJson } from './save';

  interface Props {
    label: string;
    steps: StepJson[];
    /** The date a first value holds from. */
    first: Day;
    /** Puts the changed steps; gives the refusal, or nothing. */
    onchange: (steps: StepJson[]) => Promise<string>;
  }

  let { label, steps, first, onchange }: Props = $props();
  let refusal = $state('');
  let adding = $state(false);
  let fromTyped = $state('');
  let valueTyped = $state('');

  async function put(next: StepJson[]): Promise<boolean> {
    refusal = await onchange([...next].sort((a, b) => a.from.localeCompare(b.from)));
    return !refusal;
  }

  function setValue(step: StepJson, typed: string) {
    const value = readAmount(typed);
    if (value === null) refusal = `'${typed}' is no amount: type a number such as 1,250.50 or 12k.`;
    else if (value !== step.value) void put(steps.map((one) => (one === step ? { ...one, value } : one)));
  }

  function setFirst(typed: string) {
    const value = readAmount(typed);
    if (value === null) refusal = `'${typed}' is no amount: type a number such as 1,250.50 or 12k.`;
    else void put([{ from: first, value }]);
  }

  async function add(e: Event) {
    e.preventDefault();
    const from = readDay(fromTyped);
    const value = readAmount(valueTyped);
    if (!from) refusal = `'${fromTyped}' is no date: type one such as 2026-07-01 or 1/7/2026.`;
    else if (value === null) refusal = `'${valueTyped}' is no amount: type a number such as 1,250.50 or 12k.`;
    else if (await put([...steps, { from, value }])) {
      adding = false;
      fromTyped = valueTyped = '';
    }
  }
</script>

<div>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <span class="hush">{label}</span>
    {#if steps.length === 0}
      <input
        class="small-field w-[110px] text-right"
        aria-label={label}
        placeholder="0"
        onchange={(e) => setFirst(e.currentTarget.value)}
      />
    {/if}
    {#each steps as step, i (step.from)}
      <span class="whitespace-nowrap">
        <input
          class="small-field w-[110px] text-right"
          aria-label="{label} from {longDay(step.from)}"
          value={grouped(step.value)}
          onchange={(e) => setValue(step, e.currentTarget.value)}
        />
        <span class="hush">from {longDay(step.from)}</span>
        {#if i > 0}
          <button
            class="hush"
            aria-label="Take the step from {longDay(step.from)} out"
            onclick={() => void put(steps.filter((one) => one !== step))}>×</button
          >
        {/if}
      </span>
    {/each}
    {#if adding}
      <form class="flex items-center gap-2" onsubmit={add}>
        <!-- svelte-ignore a11y_autofocus -->
        <input
          class="small-field w-[104px]"
          placeholder="from, 2026-07-01"
          aria-label="From"
          bind:value={fromTyped}
          autofocus
        />
        <input
          class="small-field w-[90px] text-right"
          placeholder="amount"
          aria-label="New amount"
          bind:value={valueTyped}
        />
        <button class="underline" type="submit">Add</button>
        <button class="underline" type="button" onclick={() => (adding = false)}>Leave it</button>
      </form>
    {:else if steps.length}
      <button class="underline" onclick={() => (adding = true)}>change from a date…</button>
    {/if}
  </div>
  {#if refusal}<p class="bad mt-1" role="alert">{refusal}</p>{/if}
</div>
