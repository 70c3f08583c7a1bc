<script lang="ts">
  import { getPlan } from '../../../../lib/plan.svelte';
  import MethodEditor from './MethodEditor.svelte';
  import { addDays, monthStart } from '../../../../lib/dates';
  import Refusal from '../../../../lib/Refusal.svelte';
  import EarlyPayment from './EarlyPayment.svelte';
  import LeftCard from './LeftCard.svelte';
  import LedgerFields from './LedgerFields.svelte';
  import MonthStrip from './MonthStrip.svelte';
  import RollForwardCard from '../../parts/RollForwardCard.svelte';
  import Suggestions from './Suggestions.svelte';
  import StockTable from './StockTable.svelte';
  import TermsEditor from './TermsEditor.svelte';
  import Schedule from './Schedule.svelte';
  import TaxAndSpread from './TaxAndSpread.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import type { EditorProps } from '../kind';

  let { id, view, assumption, save, netting, saveNetting, offset, onshift }: EditorProps<'stream'> = $props();
  const plan = getPlan();
  const first = $derived(monthStart(addDays(plan.view!.tide.asOf, 1)));
  const paid = $derived(view.line.direction === 'payment');
  /** What follows from the two that are given. */
  const STOCK_ROW = {
    closing: 'purchases',
    purchases: 'closing',
    both: 'cost',
  } as const;
  let suggesting = $state(false);
  const said = new Said();

  function keepItems(keep: boolean) {
    void said.of(
      save(
        (now) => ({ ...now, basis: keep ? ('books' as const) : ('pattern' as const) }),
        keep ? 'open items kept' : 'planned by its pattern alone',
      ),
    );
  }
  const gross = $derived(Number(assumption.tax.rate) > 0);
</script>

<div class="card mb-2.5">
  <div class="mb-1 flex items-baseline gap-3">
    <b class="font-semibold">Amount by month</b>
    <span class="hush flex-1">
      {assumption.tax.gross ? 'with sales tax in it' : gross ? 'before sales tax' : ''}
    </span>
    <button class="underline" aria-expanded={suggesting} onclick={() => (suggesting = !suggesting)}
      >from history…</button
    >
    <button class="underline" onclick={() => onshift(-6)}>earlier</button>
    {#if offset}<button class="underline" onclick={() => onshift(-offset)}>now</button>{/if}
    <button class="underline" onclick={() => onshift(6)}>later</button>
    <span class="hush">{plan.money.words}</span>
  </div>
  <MethodEditor {id} {assumption} {save} />
  <MonthStrip strip={view.strip} years={view.years} {assumption} {save} />
</div>
{#if suggesting}<Suggestions {id} {save} {first} onclose={() => (suggesting = false)} />{/if}
{#if view.stock.length && assumption.method.kind === 'stock'}
  <StockTable months={view.stock} follows={STOCK_ROW[assumption.method.given]} />
{/if}
<div class="card mb-2.5">
  <TermsEditor {assumption} {save} {first} {paid} />
  {#if view.ledger}<LedgerFields {assumption} ledger={view.ledger} {save} />{/if}
  <TaxAndSpread {assumption} {save} {paid} />
  <label class="mt-1.5 flex items-center gap-2">
    <input
      type="checkbox"
      checked={assumption.basis === 'books'}
      onchange={(e) => keepItems(e.currentTarget.checked)}
    />
    <span class="hush"
      >open items are kept: {paid ? 'bills' : 'invoices'} and orders make the near weeks, the plan adds what they leave of
      each month</span
    >
  </label>
  <Refusal words={said.words} class="mt-1" />
</div>
{#if view.left.length}<LeftCard months={view.left} {paid} {netting} save={saveNetting} />{/if}
{#if view.early}<EarlyPayment early={view.early} />{/if}
{#if !view.schedule}
  {#each view.owed.filter((roll) => roll.kind !== 'stock') as roll (roll.kind)}<RollForwardCard
      {roll}
      title="Owed, month by month"
    />{/each}
{/if}
{#if view.schedule}
  <Schedule schedule={view.schedule} />
{/if}
