<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { InAddress } from '../../lib/address.svelte';
  import { answer, api } from '../../lib/api';
  import { addDays, fullDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import Balances from './Balances.svelte';
  import BringIn from './BringIn.svelte';
  import Movements from './Movements.svelte';
  import Rules from './Rules.svelte';
  import Statements from './Statements.svelte';

  interface Props {
    time: TimeWindow;
  }

  let { time }: Props = $props();
  const plan = getPlan();
  const part = new InAddress('below', 'movements', ['movements', 'statements', 'rules']);
  let files = $state.raw<File[]>([]);
  let picker = $state<HTMLInputElement>();
  let dragging = $state(false);

  const days = $derived(range());
  const position = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/position', {
        params: { path: { plan: plan.id }, query: { from: days.from, to: days.to } },
        signal,
      }),
    );
  });

  /** The last 14 days of the window that are facts; the latest ones when the window lies ahead. */
  function range(): { from: string; to: string } {
    const known = plan.view!.accounts.map((account) => account.knownTo);
    const latest = [plan.view!.tide.asOf, ...known].reduce((a, b) => (a > b ? a : b));
    const to = time.to < latest ? time.to : latest;
    return { from: addDays(to, -13), to };
  }

  function take(list: FileList | null | undefined) {
    if (list?.length) files = [...list];
  }
</script>

<svelte:window
  ondragover={(e) => {
    if (e.dataTransfer?.types.includes('Files')) {
      e.preventDefault();
      dragging = true;
    }
  }}
  ondragleave={(e) => {
    if (!e.relatedTarget) dragging = false;
  }}
  ondrop={(e) => {
    dragging = false;
    if (!e.dataTransfer?.files.length) return;
    e.preventDefault();
    take(e.dataTransfer.files);
  }}
/>

<div class="mb-2 flex h-[34px] items-center gap-[10px]">
  <h1>Position</h1>
  <span class="hush flex-1">
    {plan.money.sum(plan.view!.tide.cashNow)} on {fullDay(plan.view!.tide.asOf)}{plan.view!.unassigned
      ? `; ${plan.view!.unassigned} ${plan.view!.unassigned === 1 ? 'movement waits' : 'movements wait'} to be assigned`
      : '; every movement is assigned'}.
  </span>
  <Segments
    tabs
    label="Part"
    options={[
      { value: 'movements', name: 'Movements' },
      { value: 'statements', name: 'Statements' },
      { value: 'rules', name: 'Rules' },
    ]}
    value={part.value}
    onchoose={(chosen) => (part.value = chosen)}
  />
  <Act href="#/plan/{plan.id}/position/roll" title="From new statements to a new as-of date, step by step"
    >Roll forward</Act
  >
  <Act
    main
    onclick={() => picker?.click()}
    title="camt.053, MT940, OFX, or the CSV of any bank; files can be dropped here too">Bring in statements</Act
  >
  <input
    class="sr-only"
    type="file"
    multiple
    accept=".csv,.txt,.xml,.sta,.mt940,.940,.ofx,.qfx,text/csv,text/xml,application/xml"
    aria-label="Statements to bring in"
    bind:this={picker}
    tabindex="-1"
    onchange={(e) => {
      take(e.currentTarget.files);
      e.currentTarget.value = '';
    }}
  />
</div>

{#if dragging}
  <p class="card mb-3 border-dashed text-center">Drop the bank's files here to bring them in.</p>
{/if}
{#if files.length}
  {#key files}
    <BringIn {files} onclose={() => (files = [])} />
  {/key}
{/if}
{#if position.data}
  <Balances position={position.data} />
  {#if part.value === 'movements'}
    <Movements />
  {:else if part.value === 'statements'}
    <Statements statements={position.data.statements} />
  {:else}
    <Rules />
  {/if}
{:else if position.problem}
  <Refusal words={position.problem.detail} />
{/if}
