<script lang="ts">
  import { onMount, tick } from 'svelte';
  import type { LineView } from '../../../../lib/api';
  import { monthName } from '../../../../lib/dates';
  import { blockText, GridCursor } from '../../../../lib/grid/cursor.svelte';
  import { noAmount, readAmount } from '../../../../lib/money';
  import { getPlan } from '../../../../lib/plan.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import OverrideReason from './OverrideReason.svelte';
  import type { Save, Stream } from '../../save';
  import { needReason, readBlock, withMonths, type StripEdit } from './strip';

  interface Props {
    strip: LineView['strip'];
    assumption: Stream;
    save: Save<Stream>;
  }

  let { strip, assumption, save }: Props = $props();
  const plan = getPlan();
  const cursor = new GridCursor(() => [1, strip.length]);
  onMount(() => cursor.set(0, Math.max(0, asOf)));
  let editing = $state<number>();
  let typed = $state('');
  /** Edits that wait for the reason of an override. */
  let waiting = $state.raw<StripEdit[]>();
  const said = new Said();
  let grid = $state<HTMLTableElement>();
  const asOf = $derived(strip.findIndex((month) => !month.history));
  const overridden = $derived(strip.some((month) => month.reason !== null));

  async function focusCell() {
    await tick();
    grid?.querySelector<HTMLElement>('td[tabindex="0"]')?.focus();
  }

  async function put(edits: StripEdit[], why = '') {
    if (needReason(assumption, edits) && !why.trim()) {
      waiting = edits;
      return;
    }
    waiting = undefined;
    await focusCell();
    await said.of(
      save(
        (now) => withMonths(now, edits, why),
        edits.length === 1 ? `${edits[0]!.month} set` : `${edits.length} months set`,
      ),
    );
  }

  function commit(step: number) {
    const at = editing!;
    const amount = typed.trim() === '' ? null : readAmount(typed);
    if (amount === null && typed.trim() !== '') {
      said.now(noAmount(typed));
      return;
    }
    editing = undefined;
    said.now('');
    const month = strip[at]!;
    cursor.set(0, Math.min(strip.length - 1, at + step));
    void put([{ month: month.month, history: month.history, amount }]);
  }

  function start(at: number, first: string) {
    cursor.set(0, at);
    typed = first;
    editing = at;
  }

  function onkeydown(e: KeyboardEvent) {
    if (editing !== undefined || e.ctrlKey || e.metaKey || e.altKey) return;
    if (cursor.move(e.key, e.shiftKey)) void focusCell();
    else if (/^[\d.]$/.test(e.key)) start(cursor.column, e.key);
    else if (e.key === 'Enter' || e.key === 'F2')
      start(cursor.column, plan.money.decimal(strip[cursor.column]!.amount));
    else if (e.key === 'Delete') {
      const { left, right } = cursor.block;
      void put(strip.slice(left, right + 1).map(({ month, history }) => ({ month, history, amount: null })));
    } else return;
    e.preventDefault();
  }

  function onfield(e: KeyboardEvent) {
    if (e.key === 'Enter') commit(0);
    else if (e.key === 'Tab') commit(e.shiftKey ? -1 : 1);
    else if (e.key === 'Escape') {
      editing = undefined;
      said.now('');
      void focusCell();
    } else return;
    e.preventDefault();
    e.stopPropagation();
  }

  function oncopy(e: ClipboardEvent) {
    if (editing !== undefined) return;
    e.clipboardData?.setData(
      'text/plain',
      blockText(cursor.block, (_, c) => plan.money.decimal(strip[c]?.amount ?? 0)),
    );
    e.preventDefault();
  }

  function onpaste(e: ClipboardEvent) {
    if (editing !== undefined) return;
    e.preventDefault();
    const block = readBlock(e.clipboardData?.getData('text/plain') ?? '');
    const room = strip.slice(cursor.block.left);
    if ('refusal' in block) said.now(block.refusal);
    else if (block.amounts.length > room.length) {
      said.now(
        `${block.amounts.length} figures were pasted, but from here on only ${room.length} months stand in the strip: begin further left, or choose later. Nothing was changed.`,
      );
    } else {
      void put(
        room.flatMap(({ month, history }, i) =>
          block.amounts[i] ? [{ month, history, amount: block.amounts[i] }] : [],
        ),
      );
    }
  }

  /** An element that opened to be typed in. */
  function focus(field: HTMLInputElement) {
    field.focus();
  }
</script>

<table class="figures" role="grid" aria-label="Amount by month" bind:this={grid} {onkeydown} {oncopy} {onpaste}>
  <thead>
    <tr>
      <th class="words" scope="col"></th>
      {#each strip as month, i (month.month)}
        <th scope="col" class={i === asOf ? 'as-of' : ''}
          >{monthName(month.month)}<small>{month.month.slice(0, 4)}</small></th
        >
      {/each}
    </tr>
  </thead>
  <tbody>
    <tr>
      <th scope="row" class="words">Amount</th>
      {#each strip as month, i (month.month)}
        <td
          role="gridcell"
          tabindex={cursor.column === i ? 0 : -1}
          title="{plan.money.sum(month.amount)} · {month.because}"
          class="{i === asOf ? 'as-of' : ''} {month.history ? 'settled-column' : 'estimated'} {cursor.holds(0, i)
            ? 'selected'
            : ''}"
          onclick={() => {
            cursor.set(0, i);
            void focusCell();
          }}
          ondblclick={() => start(i, plan.money.decimal(month.amount))}
        >
          {#if editing === i}
            <input
              class="small-field h-[23px] w-[76px] text-right not-italic"
              aria-label="Amount of {month.month}"
              aria-invalid={!!said.words}
              bind:value={typed}
              {@attach focus}
              onkeydown={onfield}
              onblur={() => editing === i && commit(0)}
            />
          {:else}
            <span class={month.reason === null ? '' : 'overridden'}>{plan.money.cell(month.amount)}</span>
          {/if}
        </td>
      {/each}
    </tr>
    {#if overridden}
      <tr class="hush">
        <th scope="row" class="words">computed</th>
        {#each strip as month, i (month.month)}
          <td class={i === asOf ? 'as-of' : ''}>{month.reason === null ? '' : plan.money.cell(month.computed)}</td>
        {/each}
      </tr>
    {/if}
  </tbody>
</table>
{#if strip[cursor.column]}
  {@const month = strip[cursor.column]!}
  {@const name = `${monthName(month.month)} ${month.month.slice(0, 4)}`}
  <p class="hush mt-1 truncate" title={month.because}>
    {month.because.includes(name) ? month.because : `${name}: ${month.because}`}
  </p>
{/if}
{#if waiting}
  <OverrideReason ongive={(reason) => void put(waiting!, reason)} onleave={() => (waiting = undefined)} />
{/if}
{#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
