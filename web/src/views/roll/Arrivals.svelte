<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { fullDay, noDay, readDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import BringList from '../items/BringList.svelte';
  import BringIn from '../position/BringIn.svelte';

  interface Props {
    roll: Schemas['RollView'];
    /** Moves the as-of date. */
    onto: (day: string) => void;
    /** Files are at hand: they are gone through one by one. */
    onbusy: () => void;
    /** All that was at hand is in. */
    ondone: () => void;
  }

  let { roll, onto, onbusy, ondone }: Props = $props();
  const plan = getPlan();
  let statements = $state.raw<File[]>([]);
  let lists = $state.raw<{ line: string; file: File }[]>([]);
  let refusal = $state('');
  let picker = $state<HTMLInputElement>();
  let asking = $state(false);
  const lines = $derived(plan.view!.lines);

  /** Takes what banks and ledger issued as files, as if they had been picked. */
  async function fetchIssued(step: 'DAY' | 'WEEK') {
    asking = true;
    const got = await answer(
      api.GET('/api/plans/{plan}/roll/issued', { params: { path: { plan: plan.id }, query: { step } } }),
    );
    asking = false;
    refusal = got.ok ? '' : got.problem.detail;
    if (!got.ok) return;
    onbusy();
    const files = got.data.map((one) => ({ line: one.line, file: new File([one.text], one.name) }));
    statements = files.flatMap((one) => (one.line === null ? [one.file] : []));
    lists = files.flatMap((one) => (one.line === null ? [] : [{ line: one.line, file: one.file }]));
  }

  function listDone() {
    lists = lists.slice(1);
    if (!lists.length) ondone();
  }

  function typed(text: string): string {
    const day = readDay(text);
    if (!day) return noDay(text);
    if (day <= roll.from!) return `The new as-of date comes after ${fullDay(roll.from!)}.`;
    onto(day);
    return '';
  }
</script>

{#if statements.length}
  {#key statements}
    <BringIn files={statements} atOnce onreach={onto} onclose={() => ((statements = []), lists.length || ondone())} />
  {/key}
{:else if lists.length}
  {@const list = lists[0]!}
  {#key list}
    <BringList
      direction={lines.find((line) => line.id === list.line)?.direction === 'payment' ? 'payment' : 'receipt'}
      lines={[{ id: list.line, name: lines.find((line) => line.id === list.line)?.name ?? list.line, counts: true }]}
      given={list}
      onclose={listDone}
    />
  {/key}
{:else}
  <section class="card mb-3 flex flex-wrap items-center gap-3" aria-label="Bring in">
    {#if roll.issues}
      <Act main disabled={asking} title="Up to the next business day" onclick={() => void fetchIssued('DAY')}
        >Next day</Act
      >
      <Act main disabled={asking} onclick={() => void fetchIssued('WEEK')}>Next week</Act>
      <span class="hush">as banks and ledger issued it, or</span>
    {/if}
    <Act main={!roll.issues} onclick={() => picker?.click()}>Statements from files</Act>
    <span class="hush flex-1">lists of invoices and bills: under Receipts and Payments, open items.</span>
    <TypedField label="As-of date" value={plan.view!.tide.asOf} onput={typed} />
  </section>
{/if}
<Refusal words={refusal} class="mb-3" />
<input
  class="sr-only"
  type="file"
  multiple
  aria-label="Statements to bring in"
  tabindex="-1"
  bind:this={picker}
  onchange={(e) => {
    onbusy();
    statements = [...(e.currentTarget.files ?? [])];
    e.currentTarget.value = '';
  }}
/>
