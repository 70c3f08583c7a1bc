<script lang="ts" generics="Row extends DatedRow">
  import EntryField from '../../../lib/fields/EntryField.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import type { Snippet } from 'svelte';
  import Act from '../../../lib/Act.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import { noDay, readDay } from '../../../lib/dates';
  import { grouped, noAmount, readAmount } from '../../../lib/money';
  import { readBlock, readDated, type DatedRow } from './dated';
  import { Said } from '../../../lib/said.svelte';

  interface Props {
    /** What a row is called: "item". */
    what: string;
    rows: Row[];
    /** Makes a row of what every row has. */
    make: (row: DatedRow) => Row;
    /** Changes the rows, as edits still under way leave them; gives the refusal, or nothing. */
    put: (change: (now: Row[]) => Row[], words: string) => Promise<string>;
    /** A column of its own, with its heading. */
    more?: { head: string; cell: Snippet<[Row, (part: Partial<Row>) => void, number]> };
  }

  let { what, rows, make, put, more }: Props = $props();
  const said = new Said();
  let date = $state('');
  let amount = $state('');
  let note = $state('');
  let dateField = $state<HTMLInputElement>();

  function setPart(i: number, part: Partial<Row>): Promise<string> {
    return put((now) => now.map((row, at) => (at === i ? { ...row, ...part } : row)), `${what} changed`);
  }

  function setDate(i: number, typed: string) {
    const day = readDay(typed);
    return day ? setPart(i, { date: day } as Partial<Row>) : noDay(typed);
  }

  function setAmount(i: number, typed: string) {
    const value = readAmount(typed);
    return value === null ? noAmount(typed) : setPart(i, { amount: value } as Partial<Row>);
  }

  async function add(e: Event) {
    e.preventDefault();
    const row = readDated(date, amount, note);
    if ('refusal' in row) said.now(row.refusal);
    else if (await said.of(put((now) => [...now, make(row)], `${what} of ${row.date} added`))) {
      date = amount = note = '';
      dateField?.focus();
    }
  }

  /** A block of a spreadsheet comes in whole, as one edit; what is pasted as one date stays in its field. */
  async function paste(e: ClipboardEvent) {
    const text = e.clipboardData?.getData('text/plain') ?? '';
    if (!/[\t\n]/.test(text.trim())) return;
    e.preventDefault();
    const read = readBlock(text);
    if ('refusal' in read) said.now(read.refusal);
    else
      await said.of(
        put(
          (now) => [...now, ...read.map(make)],
          read.length === 1 ? `${what} of ${read[0]!.date} added` : `${what}: ${read.length} added`,
        ),
      );
  }
</script>

{#if rows.length}
  <table class="figures">
    <thead>
      <tr>
        <th class="words" scope="col">Date</th><th class="words" scope="col">Amount</th>
        {#if more}<th class="words" scope="col">{more.head}</th>{/if}
        <th class="words" scope="col">Note</th><th scope="col"></th>
      </tr>
    </thead>
    <tbody>
      {#each rows as row, i (i)}
        <tr>
          <td class="words"
            ><TypedField
              class="w-[104px]"
              name="Date of {what} {i + 1}"
              value={row.date}
              onput={(typed) => setDate(i, typed)}
            /></td
          >
          <td class="words"
            ><TypedField
              class="w-[110px] text-right"
              name="Amount of {what} {i + 1}"
              value={grouped(row.amount)}
              onput={(typed) => setAmount(i, typed)}
            /></td
          >
          {#if more}<td class="words">{@render more.cell(row, (part) => void said.of(setPart(i, part)), i)}</td>{/if}
          <td class="words"
            ><TypedField
              class="w-[280px]"
              name="Note of {what} {i + 1}"
              value={row.note}
              onput={(typed) => setPart(i, { note: typed } as Partial<Row>)}
            /></td
          >
          <td
            ><button
              class="underline"
              onclick={() => said.of(put((now) => now.filter((_, at) => at !== i), `${what} taken out`))}
              >Take out</button
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
<form class="mt-2 flex items-center gap-2" onsubmit={add}>
  <EntryField
    class="w-[104px]"
    placeholder="2026-07-01"
    name="Date of a new {what}"
    bind:value={date}
    bind:field={dateField}
    onpaste={(e) => void paste(e)}
  />
  <EntryField class="w-[110px] text-right" placeholder="amount" name="Amount of a new {what}" bind:value={amount} />
  <EntryField class="w-[280px]" placeholder="note" name="Note of a new {what}" bind:value={note} />
  <Act type="submit">Add {what}</Act>
  <span class="hush">or paste dates with their amounts from a spreadsheet into the first field</span>
</form>
<Refusal words={said.words} class="mt-1" />
