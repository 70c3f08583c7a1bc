<script lang="ts">
  import Act from '../../../lib/Act.svelte';
  import { answer, api, fileForm } from '../../../lib/api';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import type { Sheet } from './opening';

  /** Takes a sheet that was read whole in the place of the one there is. */
  let { onread }: { onread: (sheet: Sheet) => Promise<void> } = $props();
  const plan = getPlan();
  let picker = $state<HTMLInputElement>();
  let open = $state(false);
  let text = $state('');
  let refusal = $state('');
  let unread = $state<{ row: number; sentence: string }[]>([]);
  let taken = $state('');

  async function read(file: Blob) {
    const got = await answer(
      api.POST('/api/plans/{plan}/statements/opening/read', {
        params: { path: { plan: plan.id } },
        ...fileForm(file, 'opening.csv'),
      }),
    );
    refusal = got.ok ? '' : got.problem.detail;
    unread = got.ok ? got.data.problems : [];
    taken = '';
    if (!got.ok || unread.length) return;
    const sheet = got.data.sheet;
    await onread(sheet);
    taken = `${sheet.entries.length} entries were taken over; Ctrl Z takes them back.`;
    text = '';
    open = false;
  }
</script>

<div class="mt-2 flex items-center gap-3">
  <button class="underline decoration-dotted" aria-expanded={open} onclick={() => (open = !open)}
    >Paste it from a spreadsheet</button
  >
  <button class="underline decoration-dotted" onclick={() => picker?.click()}>Bring in a CSV or XLSX file</button>
  <input
    bind:this={picker}
    type="file"
    class="sr-only"
    aria-label="File of the opening balance sheet"
    accept=".csv,.txt,.xlsx"
    onchange={(e) => {
      const file = e.currentTarget.files?.[0];
      if (file) void read(file);
      e.currentTarget.value = '';
    }}
  />
  <span class="hush"
    >A name and an amount in each row, or debit and credit; what it is before them, the line that clears it after.</span
  >
</div>
{#if open}
  <label class="mt-2 block"
    ><span class="hush">Rows of the balance sheet</span>
    <textarea class="small-field block h-[140px] w-full font-mono" bind:value={text}></textarea></label
  >
  <Act onclick={() => read(new Blob([text]))}>Take these rows</Act>
{/if}
{#if taken}<p role="status" class="mt-1">{taken}</p>{/if}
<Refusal words={refusal} class="mt-1" />
{#if unread.length}
  <div role="alert" class="bad mt-1">
    Nothing was taken over: {unread.length}
    {unread.length === 1 ? 'row' : 'rows'} could not be read.
    <ul class="list-disc pl-5">
      {#each unread as one (one.row)}<li>Row {one.row}: {one.sentence}.</li>{/each}
    </ul>
  </div>
{/if}
