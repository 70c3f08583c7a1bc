<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import TypedField from '../../lib/TypedField.svelte';
  import { noDay, readDay } from '../../lib/dates';
  import { grouped, noAmount, readAmount } from '../../lib/money';
  import CertaintyAndHoliday from './CertaintyAndHoliday.svelte';
  import { Said } from '../../lib/said.svelte';
  import type { Json, Save } from './save';

  interface Props {
    assumption: Json;
    save: Save;
  }

  type Item = { date: string; amount: string; certainty: string; note: string };

  let { assumption, save }: Props = $props();
  const items = $derived((assumption.items ?? []) as Item[]);
  const said = new Said();
  let date = $state('');
  let amount = $state('');
  let note = $state('');
  let dateField = $state<HTMLInputElement>();

  function put(change: (now: Item[]) => Item[], words: string): Promise<string> {
    return save((now) => ({ ...now, items: change((now.items ?? []) as Item[]) }), words);
  }

  function setPart(i: number, part: Partial<Item>): Promise<string> {
    return put((now) => now.map((item, at) => (at === i ? { ...item, ...part } : item)), 'item changed');
  }

  function setDate(i: number, typed: string) {
    const day = readDay(typed);
    return day ? setPart(i, { date: day }) : noDay(typed);
  }

  function setAmount(i: number, typed: string) {
    const amount = readAmount(typed);
    return amount === null ? noAmount(typed) : setPart(i, { amount });
  }

  async function add(e: Event) {
    e.preventDefault();
    const day = readDay(date);
    const value = readAmount(amount);
    if (!day) said.now(noDay(date));
    else if (value === null) said.now(noAmount(amount));
    else if (
      await said.of(
        put((now) => [...now, { date: day, amount: value, certainty: 'certain', note }], `item of ${day} added`),
      )
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
            ><TypedField
              class="w-[104px]"
              name="Date of item {i + 1}"
              value={item.date}
              onput={(typed) => setDate(i, typed)}
            /></td
          >
          <td class="words"
            ><TypedField
              class="w-[110px] text-right"
              name="Amount of item {i + 1}"
              value={grouped(item.amount)}
              onput={(typed) => setAmount(i, typed)}
            /></td
          >
          <td class="words">
            <select
              class="small-field"
              aria-label="Certainty of item {i + 1}"
              value={item.certainty}
              onchange={(e) => said.of(setPart(i, { certainty: e.currentTarget.value }))}
            >
              <option>certain</option><option>likely</option><option>possible</option>
            </select>
          </td>
          <td class="words"
            ><TypedField
              class="w-[280px]"
              name="Note of item {i + 1}"
              value={item.note}
              onput={(note) => setPart(i, { note })}
            /></td
          >
          <td
            ><button
              class="underline"
              onclick={() => said.of(put((now) => now.filter((_, at) => at !== i), 'item taken out'))}>Take out</button
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
  {#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
</div>
