<script lang="ts">
  import { push } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { address, type TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import ItemsView from '../items/ItemsView.svelte';
  import AllMonths from './AllMonths.svelte';
  import LineEditor from './LineEditor.svelte';
  import LineTree from './LineTree.svelte';
  import NewLine from './NewLine.svelte';

  interface Props {
    direction: 'receipt' | 'payment';
    time: TimeWindow;
    /** The line that is chosen. */
    part?: string;
  }

  let { direction, time, part }: Props = $props();
  const plan = getPlan();
  const view = $derived(direction === 'receipt' ? 'receipts' : 'payments');
  const lines = $derived(plan.view!.lines.filter((line) => line.direction === direction));
  /** Stands in the address in place of a line. */
  const ITEMS = 'open-items';
  const id = $derived(part ? decodeURIComponent(part) : undefined);
  const items = $derived(id === ITEMS);
  const chosen = $derived(
    lines.find((line) => line.id === id) ?? lines.find((line) => line.kind !== 'group') ?? lines[0],
  );
  let adding = $state(false);
  let all = $state(false);

  function choose(line: string) {
    all = false;
    void push(address(plan.id, view, line));
  }
</script>

<div class="grid grid-cols-[240px_1fr] gap-4">
  <section aria-label="Lines">
    <div class="mb-2 flex h-[34px] items-center justify-between">
      <h1>{direction === 'receipt' ? 'Receipts' : 'Payments'}</h1>
      <span class="flex gap-2">
        <Act onclick={() => (all = !all)} title="All lines by month, to type or paste over several"
          >{all ? 'One line' : 'By month'}</Act
        >
        <Act onclick={() => (adding = true)} title="Add a line (N)">Add</Act>
      </span>
    </div>
    <button
      class="mb-1.5 w-full rounded-[3px] border border-rule px-2 py-1 text-left {items
        ? 'bg-foam font-semibold'
        : 'bg-sheet'}"
      aria-pressed={items}
      onclick={() => choose(ITEMS)}
      >{direction === 'receipt' ? 'Receivables: invoices and orders' : 'Payables: bills and orders'}</button
    >
    {#if lines.length}
      <LineTree {lines} chosen={items ? undefined : chosen?.id} onchoose={choose} onadd={() => (adding = true)} />
    {:else}
      <div class="card">
        <p class="mb-2">
          {direction === 'receipt'
            ? 'Here belongs what brings cash in: sales and how they are collected, grants, sales of assets.'
            : 'Here belongs what takes cash out: purchases and their terms, pay, rent, tax, single items.'}
        </p>
        <Act main onclick={() => (adding = true)}>Add the first line</Act>
      </div>
    {/if}
  </section>
  <section class="min-w-0" aria-label="Line">
    {#if items}
      <ItemsView {direction} />
    {:else if all}
      <AllMonths {direction} {time} />
    {:else if chosen}
      {#key chosen.id}
        <LineEditor id={chosen.id} {time} oncopied={choose} />
      {/key}
    {/if}
  </section>
</div>
<NewLine
  bind:open={adding}
  {direction}
  group={chosen?.kind === 'group' ? chosen.id : (chosen?.group ?? null)}
  onmade={choose}
/>
