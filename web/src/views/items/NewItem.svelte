<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import type { Schemas } from '../../lib/api';
  import { noDay, readDay } from '../../lib/dates';
  import { noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { Said } from '../../lib/said.svelte';
  import KeepItems from './KeepItems.svelte';
  import { changedItem, KINDS, putItems, type Kind, type SentItem } from './items';

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
    if (await said.of(putItems(plan, [item], `${name} ${number} of ${counterparty} typed`))) number = amount = '';
  }
</script>

<form class="card mb-2.5 space-y-2" aria-label="Type an item" onsubmit={add}>
  <div class="flex flex-wrap items-center gap-2">
    <ChoiceField
      name="Kind of the new item"
      bind:value={kind}
      options={Object.entries(KINDS).map(([value, names]) => ({ value: value as Kind, name: names[direction] }))}
    />
    <ChoiceField
      name="Line of the new item"
      bind:value={line}
      options={[{ value: '', name: 'line' }, ...lines.map((one) => ({ value: one.id, name: one.name }))]}
    />
    <EntryField class="w-[100px]" placeholder="number" name="Number of a new item" bind:value={number} />
    <EntryField
      class="w-[180px]"
      placeholder="counterparty"
      name="Counterparty of a new item"
      bind:value={counterparty}
    />
    <EntryField class="w-[110px]" placeholder="issued" name="Issue date of a new item" bind:value={issued} />
    <EntryField
      class="w-[110px]"
      placeholder="delivery"
      title="The month it belongs to; nothing: when it is issued"
      name="Delivery date of a new item"
      bind:value={delivery}
    />
    <EntryField
      class="w-[110px]"
      placeholder="due, or by terms"
      title="Nothing: by the terms of its line"
      name="Due date of a new item"
      bind:value={due}
    />
    <EntryField
      class="w-[110px] text-right"
      placeholder="amount with tax"
      name="Amount of a new item"
      bind:value={amount}
    />
    <Act main type="submit">Add it</Act>
    <Act onclick={onclose}>Close</Act>
  </div>
  {#if chosen && !chosen.counts}<KeepItems line={chosen} />{/if}
  <Refusal words={said.words} />
</form>
