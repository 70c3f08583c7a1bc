<script lang="ts">
  import type { LineView } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import MethodEditor from './MethodEditor.svelte';
  import MonthStrip from './MonthStrip.svelte';
  import TermsEditor from './TermsEditor.svelte';
  import Schedule from './Schedule.svelte';
  import TaxAndSpread from './TaxAndSpread.svelte';
  import type { Json, Save } from './save';

  interface Props {
    id: string;
    view: LineView;
    assumption: Json;
    save: Save;
    offset: number;
    onshift: (months: number) => void;
  }

  let { id, view, assumption, save, offset, onshift }: Props = $props();
  const plan = getPlan();
  const gross = $derived(Number((assumption.tax as Json | undefined)?.rate ?? 0) > 0);
</script>

<div class="card mb-2.5">
  <div class="mb-1 flex items-baseline gap-3">
    <b class="font-semibold">Amount by month</b>
    <span class="hush flex-1">
      {(assumption.tax as Json | undefined)?.gross ? 'with sales tax in it' : gross ? 'before sales tax' : ''}
    </span>
    <button class="underline" onclick={() => onshift(-6)}>earlier</button>
    {#if offset}<button class="underline" onclick={() => onshift(-offset)}>now</button>{/if}
    <button class="underline" onclick={() => onshift(6)}>later</button>
    <span class="hush">{plan.money.words}</span>
  </div>
  <MethodEditor {id} {assumption} {save} />
  <MonthStrip strip={view.strip} {assumption} {save} />
</div>
<div class="card mb-2.5">
  <TermsEditor {assumption} {save} />
  <TaxAndSpread {assumption} {save} />
</div>
{#if view.schedule}
  <Schedule schedule={view.schedule} />
{/if}
