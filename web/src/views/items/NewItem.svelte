<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import type { Schemas } from '../../lib/api';
  import { noDay, readDay } from '../../lib/dates';
  import { noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { Said } from '../../lib/said.svelte';
  import KeepItems from './KeepItems.svelte';
  import { changedItem, KINDS, putItem, type Kind, type SentItem } from './items';

  interface Props {
    direction: 'receipt' | 'payment';
    lines: Schemas['OpenItemsView']['lines'];
    onclose: () => void;
  }

  let { direction, lines, onclose }: Props = $props();
  const plan = getPlan();
  const said = new Said();
  let kind = $state<Kind>('invoice');
  let line = $state('');
  let number = $state('');
  let counterparty = $state('');
  let issued = $state('');
  let due = $state('');
  let delivery = $state('');
  let amount = $state('');
  const chosen = $derived(lines.find((one) => one.id === line));

  async function add(e: Event) {
    e.preventDefault();
    const from = readDay(issued);
    const to = readDay(due);
    const supplied = readDay(delivery);
    const gross = readAmount(amount);
    const faults = [
      line ? '' : 'Choose the line it belongs to.',
      number.trim() ? '' : 'Give it a number.',
      counterparty.trim() ? '' : 'Say whose it is.',
      from ? '' : noDay(issued),
      to || !due.trim() ? '' : noDay(due),
      supplied || !delivery.trim() ? '' : noDay(delivery),
      gross === null ? noAmount(amount) : '',
    ].filter(Boolean);
    if (faults.length) return said.now(faults.join(' '));
    const id = crypto.randomUUID();
    const name = KINDS[kind][direction];
    const bare: SentItem = { id, kind, number, counterparty, line, issued: from!, amount: gross! };
    const item = changedItem(bare, { due: to ?? undefined, supplied: supplied ?? undefined });
    if (await said.of(putItem(plan, item, `${name} ${number} of ${counterparty} typed`))) number = amount = '';
  }
</script>

<form class="card mb-2.5 space-y-2" aria-label="Type an item" onsubmit={add}>
  <div class="flex flex-wrap items-center gap-2">
    <select class="small-field" aria-label="Kind of the new item" bind:value={kind}>
      {#each Object.entries(KINDS) as [value, names] (value)}<option {value}>{names[direction]}</option>{/each}
    </select>
    <select class="small-field" aria-label="Line of the new item" bind:value={line}>
      <option value="" disabled>line</option>
      {#each lines as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
    </select>
    <input class="small-field w-[100px]" placeholder="number" aria-label="Number of a new item" bind:value={number} />
    <input
      class="small-field w-[180px]"
      placeholder="counterparty"
      aria-label="Counterparty of a new item"
      bind:value={counterparty}
    />
    <input
      class="small-field w-[110px]"
      placeholder="issued"
      aria-label="Issue date of a new item"
      bind:value={issued}
    />
    <input
      class="small-field w-[110px]"
      placeholder="delivery"
      title="The month it belongs to; nothing: when it is issued"
      aria-label="Delivery date of a new item"
      bind:value={delivery}
    />
    <input
      class="small-field w-[110px]"
      placeholder="due, or by terms"
      title="Nothing: by the terms of its line"
      aria-label="Due date of a new item"
      bind:value={due}
    />
    <input
      class="small-field w-[110px] text-right"
      placeholder="amount with tax"
      aria-label="Amount of a new item"
      bind:value={amount}
    />
    <Act main type="submit">Add it</Act>
    <Act onclick={onclose}>Close</Act>
  </div>
  {#if chosen && !chosen.counts}<KeepItems line={chosen} />{/if}
  <Refusal words={said.words} />
</form>
