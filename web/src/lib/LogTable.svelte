<script lang="ts">
  import { answer, api, type Answer, type Schemas } from './api';
  import Act from './Act.svelte';
  import EntryField from './fields/EntryField.svelte';
  import { Loaded } from './loaded.svelte';
  import Refusal from './Refusal.svelte';

  interface Props {
    /** The plan whose edits they are; without one it is what happened beside edits. */
    plan?: string;
    /** Read anew when it changes. */
    version?: number;
    empty: string;
  }

  let { plan, version, empty }: Props = $props();
  type Logged = Schemas['LoggedView'];

  let author = $state('');
  let words = $state('');
  let from = $state('');
  let to = $state('');
  const sought = $derived({ author, words, from, to });
  const isSought = $derived(!!(author || words || from || to));
  const rows = new Loaded<Logged[]>((signal): Promise<Answer<Logged[]>> => {
    void version;
    return plan === undefined
      ? answer(api.GET('/api/happenings', { params: { query: sought }, signal }))
      : answer(api.GET('/api/plans/{plan}/changes', { params: { path: { plan }, query: sought }, signal }));
  });
  const csv = $derived(
    (plan === undefined ? '/api/happenings.csv?' : `/api/plans/${plan}/changes.csv?`) +
      new URLSearchParams(sought).toString(),
  );
  const STATES: Record<string, string> = {
    DONE: '',
    UNDONE: 'undone',
    REPLACED: 'undone, then replaced',
    CARRIED: 'before the file',
  };
</script>

<div class="mt-1 flex flex-wrap items-start gap-2">
  <EntryField class="w-[120px]" name="By whom" placeholder="by whom" bind:value={author} maxlength={200} />
  <EntryField class="w-[160px]" name="In which words" placeholder="in which words" bind:value={words} maxlength={200} />
  <EntryField class="w-[110px]" name="From day" placeholder="from, 2026-07-01" bind:value={from} />
  <EntryField class="w-[110px]" name="To day" placeholder="to, 2026-07-31" bind:value={to} />
  <Act href={csv}>Export CSV</Act>
</div>
<Refusal words={rows.problem?.detail ?? ''} class="mt-1" />
<table class="figures mt-1">
  <thead>
    <tr>
      <th class="words" scope="col">When</th><th class="words" scope="col">Who</th><th class="words" scope="col"
        >What</th
      ><th class="words" scope="col">State</th>
    </tr>
  </thead>
  <tbody>
    {#each rows.data ?? [] as one, i (one.kind === 'edit' ? one.seq : `${one.kind} ${rows.data!.length - i}`)}
      <tr class={one.state === 'DONE' || one.state === 'CARRIED' ? '' : 'hush line-through'}>
        <td class="words">{one.at.slice(0, 16).replace('T', ' ')}</td>
        <td class="words">{one.author}</td>
        <td
          class="words max-w-[340px] overflow-hidden text-ellipsis {one.kind === 'refused' ? 'bad' : ''}"
          title={one.words}>{one.words}</td
        >
        <td class="words">{STATES[one.state]}</td>
      </tr>
    {/each}
  </tbody>
</table>
{#if rows.data?.length === 0}<p class="hush mt-1">{isSought ? 'Nothing is found.' : empty}</p>{/if}
{#if rows.data?.length === 200}<p class="hush mt-1">The latest 200 are shown; the CSV has all.</p>{/if}
