<script lang="ts">
  import { onMount } from 'svelte';
  import type { LineView } from '../../../../lib/api';
  import { monthName } from '../../../../lib/dates';
  import CellField from '../../../../lib/grid/CellField.svelte';
  import { TypedGrid, type How } from '../../../../lib/grid/typed.svelte';
  import { noAmount } from '../../../../lib/money';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Refusal from '../../../../lib/Refusal.svelte';
  import OverrideReason from './OverrideReason.svelte';
  import type { Save, Stream } from '../../save';
  import { withYears } from '../../months';
  import { needReason, readBlock, withMonths, type StripEdit } from './strip';

  interface Props {
    strip: LineView['strip'];
    years: LineView['years'];
    assumption: Stream;
    save: Save<Stream>;
  }

  let { strip, years, assumption, save }: Props = $props();
  const plan = getPlan();
  /** Where the forecast begins beside what is past; nowhere in months that are all one or all the other. */
  const asOf = $derived(strip[0]?.history ? strip.findIndex((month) => !month.history) : -1);
  /** The months, and after those of a fiscal year what all of it comes to. */
  const columns = $derived(withYears({ months: strip.map((one) => one.month), years: years.map((one) => one.year) }));
  const overridden = $derived(strip.some((month) => month.reason !== null));
  /** Edits that wait for the reason of an override. */
  let waiting = $state.raw<StripEdit[]>();
  const grid = new TypedGrid({
    size: () => [1, strip.length],
    text: (_, column) => plan.money.decimal(strip[column]?.amount ?? 0),
    put,
    begins: /^[\d.]$/,
  });
  onMount(() => grid.cursor.set(0, Math.max(0, asOf)));

  async function keep(edits: StripEdit[], why = ''): Promise<string> {
    if (needReason(assumption, edits) && !why.trim()) {
      waiting = edits;
      return '';
    }
    waiting = undefined;
    return save(
      (now) => withMonths(now, edits, why),
      edits.length === 1 ? `${edits[0]!.month} set` : `${edits.length} months set`,
    );
  }

  /** Typed empty, or emptied, a month is as it was worked out; of a block, empty fields are passed over. */
  async function put(text: string, _: number, column: number, how: How): Promise<string> {
    const block = readBlock(text);
    if ('refusal' in block) return how === 'typed' ? noAmount(text) : block.refusal;
    const room = strip.slice(column);
    if (block.amounts.length > room.length)
      return `${block.amounts.length} figures were pasted, but from here on only ${room.length} months stand in the strip: begin further left, or choose later. Nothing was changed.`;
    return keep(
      room
        .slice(0, block.amounts.length)
        .map(({ month, history }, i) => ({ month, history, amount: block.amounts[i] ?? null }))
        .filter((edit) => how !== 'pasted' || edit.amount !== null),
    );
  }
</script>

<table
  class="figures"
  role="grid"
  aria-label="Amount by month"
  bind:this={grid.table}
  onkeydown={(e) => grid.keydown(e)}
  oncopy={(e) => grid.copy(e)}
  onpaste={(e) => void grid.paste(e)}
>
  <thead>
    <tr>
      <th class="words" scope="col"></th>
      {#each columns as column (column.key)}
        <th scope="col" class={column.month === asOf ? 'as-of' : ''}>{column.name}<small>{column.sub}</small></th>
      {/each}
    </tr>
  </thead>
  <tbody>
    <tr>
      <th scope="row" class="words">Amount</th>
      {#each columns as { key, month: i, year } (key)}
        {#if i === undefined}
          <td class="estimated bg-foam" title={plan.money.sum(years[year!]!.amount)}
            >{plan.money.cell(years[year!]!.amount)}</td
          >
        {:else}
          {@const month = strip[i]!}
          <td
            role="gridcell"
            tabindex={grid.cursor.column === i ? 0 : -1}
            title="{plan.money.sum(month.amount)} · {month.because}"
            class="relative {i === asOf ? 'as-of' : ''} {month.history
              ? 'settled-column'
              : 'estimated'} {grid.cursor.holds(0, i) ? 'selected' : ''}"
            onmousedown={() => grid.choose(0, i)}
            ondblclick={() => grid.start(0, i)}
          >
            <span class={month.reason === null ? '' : 'overridden'}>{plan.money.cell(month.amount)}</span>
            {#if grid.isEditing(0, i)}<CellField {grid} label="Amount of {month.month}" class="w-[76px]" />{/if}
          </td>
        {/if}
      {/each}
    </tr>
    {#if overridden}
      <tr class="hush">
        <th scope="row" class="words">computed</th>
        {#each columns as { key, month: i } (key)}
          <td class={i === asOf ? 'as-of' : ''}
            >{i === undefined || strip[i]!.reason === null ? '' : plan.money.cell(strip[i]!.computed)}</td
          >
        {/each}
      </tr>
    {/if}
  </tbody>
</table>
{#if strip[grid.cursor.column]}
  {@const month = strip[grid.cursor.column]!}
  {@const name = `${monthName(month.month)} ${month.month.slice(0, 4)}`}
  <p class="hush mt-1 truncate" title={month.because}>
    {month.because.includes(name) ? month.because : `${name}: ${month.because}`}
  </p>
{/if}
{#if waiting}
  <OverrideReason ongive={(reason) => void grid.say(keep(waiting!, reason))} onleave={() => (waiting = undefined)} />
{/if}
<Refusal words={grid.refusal} class="mt-1" />
