<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';

  interface Props {
    buoy: Schemas['BuoyView'];
  }

  let { buoy }: Props = $props();
  const plan = getPlan();
  let words = $state('');
  let refusal = $state('');
  const path = $derived({ plan: plan.id, id: buoy.id });

  async function send(e: Event) {
    e.preventDefault();
    const problem = words.trim()
      ? await plan.edit((version) =>
          answer(
            api.POST('/api/plans/{plan}/buoys/{id}/answers', { params: { path, query: { version } }, body: { words } }),
          ),
        )
      : { detail: 'Say what you answer.' };
    refusal = problem?.detail ?? '';
    if (!problem) words = '';
  }

  async function takeBack(id: string) {
    const problem = await plan.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/buoys/{id}/answers/{answer}', {
          params: { path: { ...path, answer: id }, query: { version } },
        }),
      ),
    );
    refusal = problem?.detail ?? '';
  }

  function when(at: string | null): string {
    return at
      ? new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
      : '';
  }
</script>

<section aria-label="What was said here">
  <p>
    <span class="buoy" aria-hidden="true"></span>{buoy.note}<br />
    {#if buoy.author}<span class="hush">{buoy.author}, {when(buoy.at)}</span>{/if}
  </p>
  <ul class="ml-3 border-l border-rule pl-2">
    {#each buoy.answers as one (one.id)}
      <li class="mt-1.5 flex items-baseline gap-2">
        <span class="flex-1">{one.words}<br /><span class="hush">{one.author}, {when(one.at)}</span></span>
        {#if one.own}
          <button class="underline" aria-label="Take back: {one.words}" onclick={() => void takeBack(one.id)}
            >Take back</button
          >
        {/if}
      </li>
    {/each}
  </ul>
  <form class="mt-2 flex flex-col gap-2" onsubmit={send}>
    <EntryField label="Answer" above wide bind:value={words} maxlength={2000} />
    <Refusal words={refusal} />
    <div><Act type="submit" disabled={!words.trim()}>Answer</Act></div>
  </form>
</section>
