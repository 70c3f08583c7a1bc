<script lang="ts">
  import { tick } from 'svelte';
  import type { MovementView } from '../../lib/api';
  import { shortDay } from '../../lib/dates';
  import { GridCursor } from '../../lib/grid/cursor.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { assign, divide, settle } from './assigning';
  import MovementPanel from './MovementPanel.svelte';

  interface Props {
    movements: MovementView[];
  }

  let { movements }: Props = $props();
  const plan = getPlan();
  const cursor = new GridCursor(() => [movements.length, 1]);
  let panel = $state<'line' | 'divide' | 'rule' | 'settle'>();
  let table = $state<HTMLTableElement>();
  const at = $derived(Math.min(cursor.row, movements.length - 1));
  const chosen = $derived(movements.filter((_, i) => (i >= cursor.block.top && i <= cursor.block.bottom) || i === at));
  const names = $derived(new Map(plan.view!.lines.map((line) => [line.id, line.name])));

  // What was assigned leaves the list a moment after; whoever was at it goes on with the keys at the row that takes its place.
  let wasAtIt = false;
  $effect.pre(() => {
    void movements;
    wasAtIt = !!table?.contains(document.activeElement);
  });
  $effect(() => {
    void movements;
    if (wasAtIt && document.activeElement === document.body) void focusRow();
  });

  async function focusRow() {
    await tick();
    table?.querySelector<HTMLElement>('tr[tabindex="0"]')?.focus();
  }

  async function give(line: string | null) {
    await assign(plan, chosen, line);
    cursor.set(Math.min(cursor.block.top, movements.length - 1), 0);
    await focusRow();
  }

  async function takeProposal(i: number) {
    const movement = movements[i];
    if (!movement?.settles) return;
    await settle(plan, movement.id, movement.settles);
    cursor.set(Math.min(i, movements.length - 1), 0);
    await focusRow();
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey || panel) return;
    const suggestion = movements[at]?.suggestions[Number(e.key) - 1];
    if (cursor.move(e.key, e.shiftKey)) void focusRow();
    else if (suggestion) void give(suggestion);
    else if (e.key.toLowerCase() === 's') void takeProposal(at);
    else if (e.key.toLowerCase() === 'i') panel = 'settle';
    else if (e.key.toLowerCase() === 't') void give(null);
    else if (e.key.toLowerCase() === 'l' || e.key === 'Enter') panel = 'line';
    else if (e.key.toLowerCase() === 'd') panel = 'divide';
    else if (e.key.toLowerCase() === 'r') panel = 'rule';
    else if (e.key === 'Delete') void divide(plan, movements[at]!.id, []);
    else return;
    e.preventDefault();
  }

  function close() {
    panel = undefined;
    void focusRow();
  }
</script>

<table class="figures" role="grid" aria-label="Bank movements" bind:this={table} {onkeydown}>
  <thead>
    <tr>
      <th class="words" scope="col">Booked</th><th class="words" scope="col">Account</th><th scope="col">Amount</th>
      <th class="words" scope="col">Counterparty and text</th><th class="words w-full" scope="col"
        >Assigned to, or suggested</th
      >
    </tr>
  </thead>
  <tbody>
    {#each movements as movement, i (movement.id)}
      <tr
        tabindex={i === at ? 0 : -1}
        aria-selected={cursor.holds(i, 0)}
        class={cursor.holds(i, 0) ? 'selected' : ''}
        onclick={(e) => (e.shiftKey ? cursor.move('ArrowDown', true) : cursor.set(i, 0))}
      >
        <td class="words" role="gridcell">{shortDay(movement.bookingDate)}</td>
        <td class="words hush" role="gridcell">{plan.view!.accounts.find((a) => a.id === movement.account)?.name}</td>
        <td role="gridcell">{plan.money.full(movement.minor)}</td>
        <td class="words max-w-[380px] overflow-hidden text-ellipsis" role="gridcell" title={movement.text}>
          {movement.counterparty} <span class="hush">{movement.text}</span>
        </td>
        <td class="words" role="gridcell">
          {#each movement.parts as part, p (p)}
            <span class="mr-3">
              {part.line === null ? 'transfer' : (names.get(part.line) ?? 'a line no longer there')}
              {#if part.settles}<span class="hush">settles {part.settles}</span>{/if}
              {#if movement.parts.length > 1 || movement.unassigned}<span class="hush"
                  >{plan.money.full(part.minor)}</span
                >{/if}
            </span>
          {/each}
          {#if movement.unassigned}
            {#if movement.settles}
              <button
                tabindex="-1"
                class="mr-2 max-w-[300px] overflow-hidden text-ellipsis rounded-[3px] border border-tide bg-foam px-1.5 align-bottom hover:bg-shoal"
                title="{movement.settles.words}: {movement.settles.because}"
                onclick={(e) => {
                  e.stopPropagation();
                  void takeProposal(i);
                }}><kbd>S</kbd> settles {movement.settles.words}</button
              >
            {/if}
            {#each movement.suggestions.slice(0, i === at ? 5 : 3) as suggestion, s (suggestion)}
              <button
                tabindex="-1"
                class="mr-2 rounded-[3px] border border-rule-2 px-1.5 hover:bg-foam"
                onclick={(e) => {
                  e.stopPropagation();
                  if (!cursor.holds(i, 0)) cursor.set(i, 0);
                  void give(suggestion);
                }}><kbd>{s + 1}</kbd> {names.get(suggestion)}</button
              >
            {/each}
          {/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
<p class="hush mt-2 text-[12px]">
  <kbd>S</kbd> settle as proposed <kbd>I</kbd> choose items to settle <kbd>1</kbd>–<kbd>5</kbd> suggested line
  <kbd>T</kbd>
  transfer <kbd>L</kbd> choose or make a line <kbd>D</kbd> divide
  <kbd>R</kbd> remember a rule <kbd>Delete</kbd> unassign
</p>
{#if panel && movements[at]}
  <MovementPanel act={panel} {chosen} onclose={close} />
{/if}
