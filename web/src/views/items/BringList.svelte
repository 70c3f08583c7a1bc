<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api, fileForm, type Schemas } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import KeepItems from './KeepItems.svelte';
  import ListChanges from './ListChanges.svelte';
  import ListColumns from './ListColumns.svelte';

  interface Props {
    direction: 'receipt' | 'payment';
    lines: Schemas['OpenItemsView']['lines'];
    /** A list that is at hand already, and the line it is of. */
    given?: { line: string; file: File };
    onclose: () => void;
  }

  let { direction, lines, given, onclose }: Props = $props();
  const plan = getPlan();
  let line = $state(untrack(() => given?.line ?? ''));
  let file = $state.raw(untrack(() => given?.file));
  let view = $state.raw<Schemas['ItemListView']>();
  let refusal = $state('');
  let taken = $state('');
  let closeVanished = $state(false);
  let leaveBadRows = $state(false);
  let picker = $state<HTMLInputElement>();
  const chosen = $derived(lines.find((one) => one.id === line));

  async function look(columns?: Record<string, string>) {
    if (!file || !line) return;
    taken = '';
    const got = await answer(
      api.POST('/api/plans/{plan}/item-lists/look', {
        params: {
          path: { plan: plan.id },
          query: columns ? { line, chosen: JSON.stringify(columns) } : { line },
        },
        ...fileForm(file),
      }),
    );
    refusal = got.ok ? (got.data.refusal ?? '') : got.problem.detail;
    view = got.ok ? got.data : undefined;
  }

  async function take() {
    const query = { line, chosen: JSON.stringify(view!.columns), closeVanished, leaveBadRows };
    const problem = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/item-lists/take', {
          params: { path: { plan: plan.id }, query: { ...query, version } },
          ...fileForm(file!),
        }),
      ),
    );
    refusal = problem?.detail ?? '';
    if (!problem) {
      taken = `${view!.added} new and ${view!.changed} changed items were taken over. Ctrl Z takes them back.`;
      view = undefined;
      file = undefined;
      if (given) onclose();
    }
  }

  if (untrack(() => given)) void look();
</script>

<section class="card mb-2.5 space-y-2" aria-label="Bring in a list">
  <div class="flex flex-wrap items-center gap-3">
    <b class="font-semibold">A list from the ledger</b>
    {#if given}
      <span>{given.file.name} <span class="hush">for</span> {chosen?.name}</span>
    {:else}
      <ChoiceField
        label="for"
        name="Line of the list"
        value={line}
        onchoose={(chosen) => {
          line = chosen;
          void look();
        }}
        options={[{ value: '', name: 'choose the line' }, ...lines.map((one) => ({ value: one.id, name: one.name }))]}
      />
      <Act main={!view} onclick={() => picker?.click()}>{file ? file.name : 'Choose a file'}</Act>
    {/if}
    <span class="hush flex-1"
      >{direction === 'receipt' ? 'invoices, credit notes, sales orders' : 'bills, credit notes, purchase orders'}, open
      and paid, as CSV or XLSX</span
    >
    <Act onclick={onclose}>{given ? 'Leave it' : 'Close'}</Act>
  </div>
  <input
    class="sr-only"
    type="file"
    accept=".csv,.xlsx,.txt,text/csv"
    aria-label="List file"
    tabindex="-1"
    bind:this={picker}
    onchange={(e) => {
      file = e.currentTarget.files?.[0];
      e.currentTarget.value = '';
      void look();
    }}
  />
  {#if file && !line}<p>Choose the line that the list belongs to.</p>{/if}
  {#if chosen && !chosen.counts}<KeepItems line={chosen} />{/if}
  <Refusal words={refusal} />
  {#if taken}<p role="status">{taken}</p>{/if}
  {#if view}
    <ListColumns {view} onchoose={(columns) => void look(columns)} />
    {#if !view.refusal}
      <ListChanges {view} bind:closeVanished bind:leaveBadRows />
      <Act
        main
        disabled={view.added + view.changed + (closeVanished ? view.vanished : 0) === 0 ||
          (view.badRows > 0 && !leaveBadRows)}
        onclick={() => void take()}>Take it over</Act
      >
    {/if}
  {/if}
</section>
