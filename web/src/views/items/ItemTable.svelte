<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { longDay, noDay, readDay, shortDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import {
    changedItem,
    KINDS,
    putItem,
    readDiscount,
    SOURCES,
    STANDINGS,
    type Standing,
    type ItemJson,
    type ItemView,
    type Order,
  } from './items';

  interface Props {
    direction: 'receipt' | 'payment';
    items: ItemView[];
    order: Order;
    descending: boolean;
    onorder: (by: Order) => void;
  }

  let { direction, items, order, descending, onorder }: Props = $props();
  const COLUMNS: { name: string; order?: Order }[] = [
    { name: 'Number', order: 'NUMBER' },
    { name: 'Counterparty', order: 'COUNTERPARTY' },
    { name: 'Line', order: 'LINE' },
    { name: 'Due', order: 'DUE' },
    { name: 'Open', order: 'OPEN' },
    { name: 'Expected', order: 'EXPECTED' },
    { name: 'Expect it on' },
    { name: 'Promised for' },
    { name: 'Discount' },
    { name: 'Is' },
  ];
  const plan = getPlan();

  function named(item: ItemJson): string {
    return `${item.number} of ${item.counterparty}`;
  }

  function setDay(item: ItemJson, field: 'expected' | 'promised', typed: string) {
    const day = readDay(typed);
    if (!day && typed.trim()) return noDay(typed);
    return putItem(
      plan,
      changedItem(item, { [field]: day ?? undefined }),
      day ? `${named(item)} ${field} ${day}` : `${named(item)}: ${field} day taken out`,
    );
  }

  function discountWords(item: ItemJson): string {
    const discount = item.discount;
    return discount ? `${discount.share}% until ${discount.until}` : '';
  }

  function setDiscount(item: ItemJson, typed: string) {
    const discount = readDiscount(typed);
    if (discount === null) return `'${typed}' is no discount: type one such as 2% until 2026-04-14.`;
    return putItem(
      plan,
      changedItem(item, { discount }),
      discount ? `${named(item)} ${discount.share}% off until ${discount.until}` : `${named(item)}: discount taken out`,
    );
  }

  function setStanding(item: ItemJson, standing: Standing) {
    const name = STANDINGS.find((one) => one.value === standing)!.name;
    return putItem(plan, changedItem(item, { standing }), `${named(item)} ${name}`);
  }
</script>

{#if items.length}
  <table class="figures tight" aria-label="Open items">
    <thead>
      <tr>
        {#each COLUMNS as column (column.name)}
          <th
            class={column.order === 'OPEN' ? '' : 'words'}
            scope="col"
            aria-sort={column.order && column.order === order ? (descending ? 'descending' : 'ascending') : undefined}
          >
            {#if column.order}
              <button
                class="underline decoration-dotted"
                title={column.order === order ? 'Turn the order round' : `Order by ${column.name.toLowerCase()}`}
                onclick={() => onorder(column.order!)}
                >{column.name}{column.order === order ? (descending ? ' ↓' : ' ↑') : ''}</button
              >
            {:else}{column.name}{/if}
          </th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each items as one (one.id)}
        {@const item = one.item}
        <tr class={one.expected ? '' : 'hush'}>
          <th class="words font-normal" scope="row" title={KINDS[item.kind][direction]}
            >{item.number}{item.kind === 'invoice' ? '' : `, ${KINDS[item.kind][direction]}`}</th
          >
          <td class="words max-w-[150px] overflow-hidden text-ellipsis">{item.counterparty}</td>
          <td class="words max-w-[130px] overflow-hidden text-ellipsis">{one.line}</td>
          <td class="words" title={longDay(String(item.due)) + (one.daysLate > 0 ? `, ${one.daysLate} days late` : '')}
            >{shortDay(String(item.due))}{one.daysLate > 0 ? ` (+${one.daysLate})` : ''}</td
          >
          <td>{plan.money.full(one.open)}</td>
          <td class="words" title="{one.expected ? longDay(one.expected) + ', ' : ''}{one.because}"
            >{one.expected ? shortDay(one.expected) : '–'} <span class="hush">{SOURCES[one.source]}</span></td
          >
          <td class="words"
            ><TypedField
              class="w-[84px]"
              name="Expect {named(item)} on"
              value={String(item.expected ?? '')}
              onput={(typed) => setDay(item, 'expected', typed)}
            /></td
          >
          <td class="words"
            ><TypedField
              class="w-[84px]"
              name="{named(item)} promised for"
              value={String(item.promised ?? '')}
              onput={(typed) => setDay(item, 'promised', typed)}
            /></td
          >
          <td class="words"
            ><TypedField
              class="w-[92px]"
              name="Discount of {named(item)}"
              placeholder="·"
              value={discountWords(item)}
              onput={(typed) => setDiscount(item, typed)}
            /></td
          >
          <td class="words">
            <ChoiceField
              class="w-[96px]"
              name="{named(item)} is"
              value={item.standing ?? 'normal'}
              onput={(chosen) => setStanding(item, chosen)}
              options={STANDINGS}
            />
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
