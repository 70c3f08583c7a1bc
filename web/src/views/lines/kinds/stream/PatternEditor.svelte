<script lang="ts">
  import EntryField from '../../../../lib/fields/EntryField.svelte';
  import type { Snippet } from 'svelte';
  import Refusal from '../../../../lib/Refusal.svelte';
  import PatternBar from './PatternBar.svelte';
  import { draftOf, moved, refusal, toJson, type PatternDraft } from './pattern';
  import type { Save } from '../../save';
  import type { TermsJson } from './terms';

  interface Props {
    assumption: TermsJson;
    save: Save<TermsJson>;
    /** What stands above the pattern, at the left. */
    head: Snippet;
  }

  let { assumption, save, head }: Props = $props();
  const inForce = $derived(assumption.pattern);
  /** What is typed and not saved yet; without it the pattern in force is shown. */
  let typed = $state.raw<PatternDraft>();
  let refused = $state('');
  const draft = $derived(typed ?? draftOf(inForce));
  const wrong = $derived(refusal(draft) || refused);

  async function put(next: PatternDraft) {
    typed = next;
    refused = '';
    if (refusal(next)) return;
    const pattern = toJson(next, inForce);
    if (JSON.stringify(pattern) === JSON.stringify(inForce)) typed = undefined;
    else {
      refused = await save((now) => ({ ...now, pattern }), `pattern ${next.steps.map((s) => s.share).join(' · ')}`);
      if (!refused) typed = undefined;
    }
  }

  function setStep(i: number, part: Partial<PatternDraft['steps'][number]>) {
    void put({ ...draft, steps: draft.steps.map((step, at) => (at === i ? { ...step, ...part } : step)) });
  }

  function addStep() {
    const last = draft.steps.at(-1);
    void put({
      ...draft,
      steps: [...draft.steps, { share: '0', lag: String(Number(last?.lag ?? -1) + 1), discount: '0' }],
    });
  }
</script>

<div class="mb-1.5 flex items-baseline justify-between">
  {@render head()}
  <span class="hush"
    >shares add up to {#if wrong}<b class="bad">{wrong.includes('add up') ? 'not 100%' : '?'}</b>{:else}<b class="good"
        >100%</b
      >{/if}</span
  >
</div>
<PatternBar
  {draft}
  onmove={(boundary, percents) => (typed = moved(draft, boundary, percents))}
  ondone={() => void put(draft)}
/>
<div class="mt-2 flex flex-wrap gap-x-4 gap-y-2">
  {#each draft.steps as step, i (i)}
    <span class="whitespace-nowrap">
      <EntryField
        class="w-[58px] text-right"
        name="Share of step {i + 1} in percent"
        value={step.share}
        onchange={(e) => setStep(i, { share: e.currentTarget.value })}
      />
      <span class="hush">% after</span>
      <EntryField
        class="w-[40px] text-right"
        name="Months later of step {i + 1}"
        value={step.lag}
        onchange={(e) => setStep(i, { lag: e.currentTarget.value })}
      />
      <span class="hush">months, less</span>
      <EntryField
        class="w-[46px] text-right"
        name="Discount of step {i + 1} in percent"
        value={step.discount}
        onchange={(e) => setStep(i, { discount: e.currentTarget.value })}
      />
      <span class="hush">%</span>
      {#if draft.steps.length > 1}
        <button
          class="hush"
          aria-label="Take step {i + 1} out"
          onclick={() => void put({ ...draft, steps: draft.steps.filter((_, at) => at !== i) })}>×</button
        >
      {/if}
    </span>
  {/each}
  <EntryField
    class="w-[58px] text-right"
    value={draft.never}
    after="% never"
    onchange={(e) => void put({ ...draft, never: e.currentTarget.value })}
  />
  <button class="underline" onclick={addStep}>Add a step</button>
  {#if typed}<button class="underline" onclick={() => (typed = undefined)}>Back to the pattern in force</button>{/if}
</div>
<Refusal words={wrong} class="mt-1" />
