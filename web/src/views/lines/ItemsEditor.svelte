<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { readDay } from '../../lib/dates';
  import { grouped, readAmount } from '../../lib/money';
  import CertaintyAndHoliday from './CertaintyAndHoliday.svelte';
  import type { Json, Save } from './save';

  interface Props {
    assumption: Json;
    save: Save;
  }

  type Item = { date: string; amount: string; certainty: string; note: string };

  let { assumption, save }: Props = $props();
  const items = $derived((assumption.items ?? []) as Item[]);
  let refusal = $state('');
  let date = $state('');
  let amount = $state('');
  let note = $state('');
  let dateField = $state<HTMLInputElement>();

  async function put(change: (now: Item[]) => Item[], words: string): Promise<boolean> {
    refusal = await save((now) => ({ ...now, items: change((now.items ?? []) as Item[]) }), words);
    return !refusal;
  }

  function setPart(i: number, part: Partial<Item>) {
    void put((now) => now.map((item, at) => (at === i ? { ...item, ...part } : item)), 'item changed');
  }

  function setDate(i: number, typed: string) {
    const day = readDay(typed);
    if (day) setPart(i, { date: day });
    else refusal = `'${typed}' is no date: type one such as 2026-07-01 or 1/7/2026.`;
  }

  function setAmount(i: number, typed: string) {
    const value = readAmount(typed);
    if (value !== null) setPart(i, { amount: value });
    else refusal = `'${typed}' is no amount: type a number such as 1,250.50 or 12k.`;
  }

  async function add(e: Event) {
    e.preventDefault();
    const day = readDay(date);
    const value = readAmount(amount);
    if (!day) refusal = `'${date}' is no date: type one such as 2026-07-01 or 1/7/2026.`;
    else if (value === null) refusal = `'${amount}' is no amount: type a number such as 1,250.50 or 12k.`;
    else if (
      await put((now) => [...now, { date: day, amount: value, certainty: 'certain', note }], `item of ${day} added`)
    ) {
      date = amount = note = '';
      dateField?.focus();
    }
  }
</script>

<div class="card mb-2.5">
  <table class="figures">
    <thead>
      <tr>
        <th class="words" scope="col">Date</th><th class="words" scope="col">Amount</th><th class="words" scope="col"
          >Certainty</th
        >
        <th class="words" scope="col">Note</th><th scope="col"></th>
      </tr>
    </thead>
    <tbody>
      {#each items as item, i (item.date)}
        <tr>
          <td class="words"
            ><input
              class="small-field w-[104px]"
              aria-label="Date of item {i + 1}"
              value={item.date}
              onchange={(e) => setDate(i, e.currentTarget.value)}
            /></td
          >
          <td class="words"
            ><input
              class="small-field w-[110px] text-right"
              aria-label="Amount of item {i + 1}"
              value={grouped(item.amount)}
              onchange={(e) => setAmount(i, e.currentTarget.value)}
            /></td
          >
          <td class="words">
            <select
              class="small-field"
              aria-label="Certainty of item {i + 1}"
              value={item.certainty}
              onchange={(e) => setPart(i, { certainty: e.currentTarget.value })}
            >
              <option>certain</option><option>likely</option><option>possible</option>
            </select>
          </td>
          <td class="words"
            ><input
              class="small-field w-[280px]"
              aria-label="Note of item {i + 1}"
              value={item.note}
              onchange={(e) => setPart(i, { note: e.currentTarget.value })}
            /></td
          >
          <td
            ><button
              class="underline"
              onclick={() => void put((now) => now.filter((_, at) => at !== i), 'item taken out')}>Take out</button
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  <form class="mt-2 flex items-center gap-2" onsubmit={add}>
    <input
      class="small-field w-[104px]"
      placeholder="2026-07-01"
      aria-label="Date of a new item"
      bind:value={date}
      bind:this={dateField}
    />
    <input
      class="small-field w-[110px] text-right"
      placeholder="amount"
      aria-label="Amount of a new item"
      bind:value={amount}
    />
    <input class="small-field w-[280px]" placeholder="note" aria-label="Note of a new item" bind:value={note} />
    <Act type="submit">Add item</Act>
  </form>
  <CertaintyAndHoliday {assumption} {save} />
  {#if refusal}<p class="bad mt-1" role="alert">{refusal}</p>{/if}
</div>
