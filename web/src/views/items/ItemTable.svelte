<script lang="ts">
  import TypedField from '../../lib/TypedField.svelte';
  import { longDay, noDay, readDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import { Said } from '../../lib/said.svelte';
  import { changedItem, KINDS, putItem, SOURCES, STANDINGS, type ItemJson, type ItemView } from './items';

  interface Props {
    direction: 'receipt' | 'payment';
    items: ItemView[];
  }

  let { direction, items }: Props = $props();
  const plan = getPlan();
  const said = new Said();

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

  function setStanding(item: ItemJson, standing: string) {
    const name = STANDINGS.find((one) => one.value === standing)!.name;
    void said.of(putItem(plan, changedItem(item, { standing }), `${named(item)} ${name}`));
  }
</script>

{#if items.length}
  <table class="figures" aria-label="Open items">
    <thead>
      <tr>
        <th class="words" scope="col">Number</th><th class="words" scope="col">Counterparty</th><th
          class="words"
          scope="col">Line</th
        >
        <th class="words" scope="col">Due</th><th scope="col">Open</th><th class="words" scope="col">Expected</th><th
          class="words"
          scope="col">by</th
        >
        <th class="words" scope="col">Expect it on</th><th class="words" scope="col">Promised for</th><th
          class="words"
          scope="col">Is</th
        >
      </tr>
    </thead>
    <tbody>
      {#each items as one (one.id)}
        {@const item = one.item as ItemJson}
        <tr class={one.expected ? '' : 'hush'}>
          <th class="words font-normal" scope="row" title={KINDS[String(item.kind)]![direction]}
            >{item.number}{item.kind === 'invoice' ? '' : `, ${KINDS[String(item.kind)]![direction]}`}</th
          >
          <td class="words max-w-[170px] overflow-hidden text-ellipsis">{item.counterparty}</td>
          <td class="words max-w-[140px] overflow-hidden text-ellipsis">{one.line}</td>
          <td class="words" title={one.daysLate > 0 ? `${one.daysLate} days late` : ''}
            >{longDay(String(item.due))}{one.daysLate > 0 ? ` (+${one.daysLate})` : ''}</td
          >
          <td>{plan.money.full(one.open)}</td>
          <td class="words" title={one.because}>{one.expected ? longDay(one.expected) : '–'}</td>
          <td class="words hush" title={one.because}>{SOURCES[one.source]}</td>
          <td class="words"
            ><TypedField
              class="w-[96px]"
              name="Expect {named(item)} on"
              value={String(item.expected ?? '')}
              onput={(typed) => setDay(item, 'expected', typed)}
            /></td
          >
          <td class="words"
            ><TypedField
              class="w-[96px]"
              name="{named(item)} promised for"
              value={String(item.promised ?? '')}
              onput={(typed) => setDay(item, 'promised', typed)}
            /></td
          >
          <td class="words">
            <select
              class="small-field"
              aria-label="{named(item)} is"
              value={String(item.standing ?? 'normal')}
              onchange={(e) => setStanding(item, e.currentTarget.value)}
            >
              {#each STANDINGS as standing (standing.value)}<option value={standing.value}>{standing.name}</option
                >{/each}
            </select>
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
