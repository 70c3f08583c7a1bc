<script lang="ts" module>
  /** What is being written, by snapshot: it stays until it is kept or given up, wherever one looks meanwhile. */
  const writing = $state<Record<string, string | undefined>>({});
</script>

<script lang="ts">
  import Refusal from '../../../lib/Refusal.svelte';
  import Act from '../../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../../lib/api';
  import { getPlan } from '../../../lib/plan.svelte';
  import type { Length } from '../track';

  interface Props {
    snapshot: Schemas['SnapshotListed'];
    by: Length;
    from: string;
  }

  let { snapshot, by, from }: Props = $props();
  const plan = getPlan();
  const text = $derived(writing[snapshot.id]);
  let refusal = $state('');

  async function draft() {
    const got = await answer(
      api.GET('/api/plans/{plan}/snapshots/{id}/draft', {
        params: { path: { plan: plan.id, id: snapshot.id }, query: { by, from } },
      }),
    );
    if (got.ok) writing[snapshot.id] = got.data.text;
    refusal = got.ok ? '' : got.problem.detail;
  }

  async function keep() {
    const problem = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/snapshots/{id}', {
          params: { path: { plan: plan.id, id: snapshot.id }, query: { version } },
          body: { name: snapshot.name, note: snapshot.note, locked: snapshot.locked, commentary: text ?? '' },
        }),
      ),
    );
    refusal = problem?.detail ?? '';
    if (!problem) writing[snapshot.id] = undefined;
  }
</script>

<section class="card mt-3" aria-label="Commentary">
  <div class="mb-1 flex items-center gap-2">
    <b class="font-semibold">Commentary</b>
    <span class="hush flex-1">kept with the snapshot</span>
    {#if text === undefined}
      {#if snapshot.commentary}<Act onclick={() => (writing[snapshot.id] = snapshot.commentary)}>Edit</Act>{/if}
      <Act onclick={() => void draft()}>{snapshot.commentary ? 'Draft anew' : 'Draft'}</Act>
    {:else}
      <Act main onclick={() => void keep()}>Keep commentary</Act>
      <Act onclick={() => (writing[snapshot.id] = undefined)}>Leave it</Act>
    {/if}
  </div>
  {#if text !== undefined}
    <textarea
      class="small-field !h-auto w-full"
      rows="10"
      aria-label="Commentary"
      bind:value={() => text ?? '', (typed) => (writing[snapshot.id] = typed)}></textarea>
  {:else if snapshot.commentary}
    <p class="whitespace-pre-wrap">{snapshot.commentary}</p>
  {:else}
    <p class="hush">A draft is made from the figures, the notes and what was decided; edit it, then keep it.</p>
  {/if}
  <Refusal words={refusal} />
</section>
