<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { InAddress } from '../../lib/address.svelte';
  import { answer, api } from '../../lib/api';
  import { fullDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import BringList from './BringList.svelte';
  import Chances from './Chances.svelte';
  import HabitsCard from './HabitsCard.svelte';
  import ItemTable from './ItemTable.svelte';
  import { Listing } from './listing';
  import NewItem from './NewItem.svelte';
  import { SHOWN, type Order, type Show } from './items';
  import SumTable from './SumTable.svelte';

  interface Props {
    direction: 'receipt' | 'payment';
  }

  let { direction }: Props = $props();
  const plan = getPlan();
  const side = $derived(direction === 'receipt' ? ('RECEIPT' as const) : ('PAYMENT' as const));
  const part = new InAddress('as', 'items', ['items', 'counterparty', 'age', 'week', 'habits', 'chances']);
  const words = new InAddress('words', '');
  const show = new InAddress<Show>('show', 'ALL');
  const order = new InAddress<Order>('order', 'EXPECTED');
  const down = new InAddress('down', 'no', ['no', 'yes']);
  let bringing = $state(false);
  let typing = $state(false);

  const listing = new Listing();
  const loaded = new Loaded(async (signal) => {
    void plan.version;
    const query = {
      direction: side,
      words: words.value,
      show: show.value,
      order: order.value,
      descending: down.value === 'yes',
    };
    const got = await answer(
      api.GET('/api/plans/{plan}/items', { params: { path: { plan: plan.id }, query }, signal }),
    );
    return got.ok ? { ...got, data: { ...got.data, items: listing.steady(got.data.items, query), query } } : got;
  });
  const view = $derived(loaded.data);

  function orderBy(by: Order) {
    down.value = by === order.value && down.value === 'no' ? 'yes' : 'no';
    order.value = by;
  }

  /** Opens the items of a sum: those of its counterparty. */
  function openSum(name: string) {
    words.value = name;
    part.value = 'items';
  }

  const SUMS = { counterparty: 'byCounterparty', age: 'byAge', week: 'byWeek' } as const;
</script>

{#if view}
  <div class="mb-2 flex flex-wrap items-center gap-2">
    <b class="font-semibold">{direction === 'receipt' ? 'Receivables' : 'Payables'}</b>
    <span class="hush flex-1">
      {#if view.total.items}
        {plan.money.sum(view.total.open)} open on {fullDay(plan.view!.tide.asOf)}{view.total.leftOut
          ? `, of it ${plan.money.sum(view.total.leftOut)} left out of the forecast`
          : ''}.
      {:else}
        No open item yet.
      {/if}
    </span>
    <Segments
      label="Receivables and payables by"
      options={[
        { value: 'items', name: 'Items' },
        { value: 'counterparty', name: 'Counterparty' },
        { value: 'age', name: 'Age' },
        { value: 'week', name: 'Week' },
        { value: 'habits', name: 'Habits' },
        { value: 'chances', name: direction === 'receipt' ? 'Chase' : 'Hold' },
      ]}
      value={part.value}
      onchoose={(chosen) => (part.value = chosen)}
    />
    <Act onclick={() => (typing = !typing)}>Type one</Act>
    <Act main onclick={() => (bringing = !bringing)} title="CSV or XLSX from the ledger">Bring in a list</Act>
  </div>
  {#if bringing}<BringList {direction} lines={view.lines} onclose={() => (bringing = false)} />{/if}
  {#if typing}<NewItem {direction} lines={view.lines} onclose={() => (typing = false)} />{/if}
  {#if part.value === 'habits'}
    <HabitsCard {side} />
  {:else if part.value === 'chances'}
    <Chances {direction} {side} />
  {:else if part.value === 'items'}
    <div class="mb-2 flex items-center gap-3">
      <EntryField
        class="w-[260px]"
        placeholder="words of number, counterparty or line"
        name="Search items"
        bind:value={words.value}
      />
      <ChoiceField label="show" name="Items shown" bind:value={show.value} options={SHOWN} />
      {#if view.items.length}
        <span class="hush">type, paste or copy days, promises and discounts as in a spreadsheet</span>
      {/if}
    </div>
    <ItemTable
      {direction}
      items={view.items}
      order={view.query.order}
      descending={view.query.descending}
      onorder={orderBy}
    />
    {#if view.more}<p class="hush mt-1">More items fit: type words to find them.</p>{/if}
    {#if view.items.length === 0}
      <p class="card">
        {words.value || show.value !== 'ALL'
          ? 'No item fits. Change the words, or what is shown.'
          : direction === 'receipt'
            ? 'Here belong invoices that are not paid yet, credit notes and sales orders: bring in the list from the ledger, or type one.'
            : 'Here belong bills that are not paid yet, credit notes and purchase orders: bring in the list from the ledger, or type one.'}
      </p>
    {/if}
  {:else}
    <SumTable
      sums={view[SUMS[part.value]]}
      by={part.value}
      onopen={part.value === 'counterparty' ? openSum : undefined}
    />
  {/if}
{:else if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{/if}
