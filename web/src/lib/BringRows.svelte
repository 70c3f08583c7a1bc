<script lang="ts" generics="Read extends { problems: { row: number; sentence: string }[] }">
  import Act from './Act.svelte';
  import type { Answer } from './api';
  import Refusal from './Refusal.svelte';

  interface Props {
    /** What the rows are of: "the opening balance sheet". */
    of: string;
    hint: string;
    /** Reads a file, or what was pasted as one. */
    read: (file: Blob) => Promise<Answer<Read>>;
    /** How many rows were read. */
    count: (read: Read) => number;
    /** Takes what was read whole; gives the refusal, or nothing. */
    ontake: (read: Read) => Promise<string>;
  }

  let { of, hint, read, count, ontake }: Props = $props();
  let picker = $state<HTMLInputElement>();
  let open = $state(false);
  let text = $state('');
  let refusal = $state('');
  let unread = $state<{ row: number; sentence: string }[]>([]);
  let taken = $state('');

  async function bring(file: Blob) {
    const got = await read(file);
    refusal = got.ok ? '' : got.problem.detail;
    unread = got.ok ? got.data.problems : [];
    taken = '';
    if (!got.ok || unread.length) return;
    refusal = await ontake(got.data);
    if (refusal) return;
    taken = `${count(got.data)} entries were taken over; Ctrl Z takes them back.`;
    text = '';
    open = false;
  }
</script>

<div class="mt-2 flex items-center gap-3">
  <button class="shrink-0 underline decoration-dotted" aria-expanded={open} onclick={() => (open = !open)}
    >Paste it from a spreadsheet</button
  >
  <button class="shrink-0 underline decoration-dotted" onclick={() => picker?.click()}
    >Bring in a CSV or XLSX file</button
  >
  <input
    bind:this={picker}
    type="file"
    class="sr-only"
    aria-label="File of {of}"
    accept=".csv,.txt,.xlsx"
    onchange={(e) => {
      const file = e.currentTarget.files?.[0];
      if (file) void bring(file);
      e.currentTarget.value = '';
    }}
  />
  <span class="hush">{hint}</span>
</div>
{#if open}
  <label class="mt-2 block"
    ><span class="hush">Rows of {of}</span>
    <textarea class="small-field block w-full font-mono" bind:value={text}></textarea></label
  >
  <Act onclick={() => bring(new Blob([text]))}>Take these rows</Act>
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
