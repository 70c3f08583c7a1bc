<script lang="ts">
  import { getPlan } from '../../lib/plan.svelte';
  import { Said } from '../../lib/said.svelte';
  import DayTermsEditor from './DayTermsEditor.svelte';
  import StepsEditor from './methods/StepsEditor.svelte';
  import PatternEditor from './PatternEditor.svelte';
  import type { Json, Save, StepJson } from './save';
  import ShareTerms from './ShareTerms.svelte';
  import { termsOf, type SharedTerms } from './terms';

  interface Props {
    assumption: Json;
    save: Save;
    /** The date a first value holds from. */
    first: string;
  }

  let { assumption, save, first }: Props = $props();
  const plan = getPlan();
  const by = $derived(String(assumption.termsBy ?? 'months'));
  const shared = $derived(
    ((plan.settings.terms ?? []) as SharedTerms[]).find((one) => one.id === assumption.sharedTerms),
  );
  const said = new Said();
  const WORDS: Record<string, string> = {
    months: 'paid by a pattern of months',
    days: 'paid by days',
    target: 'standing at a target of days',
  };

  /** Terms that are shared are changed where they stand, for every line that shares them. */
  async function saveTerms(change: (now: Json) => Json, words: string): Promise<string> {
    if (!shared) return save(change, words);
    const problem = await plan.putSettings((now) => ({
      ...now,
      terms: (now.terms as SharedTerms[]).map((one) =>
        one.id === shared.id ? { ...one, ...termsOf(change(one)) } : one,
      ),
    }));
    return problem?.detail ?? '';
  }

  /** What was typed into the other terms stays with the line. */
  function choose(termsBy: string) {
    const begun: Json =
      termsBy === 'days'
        ? { days: { due: 'after-issue', days: 30, late: 0 } }
        : termsBy === 'target'
          ? { target: [{ from: first, value: '30' }] }
          : {};
    void said.of(saveTerms((now) => ({ ...begun, ...now, termsBy }), WORDS[termsBy]!));
  }
</script>

{#snippet head()}
  <span class="flex flex-wrap items-baseline gap-3">
    <b class="font-semibold">When it is paid</b>
    <select class="small-field" aria-label="Terms" value={by} onchange={(e) => choose(e.currentTarget.value)}>
      <option value="months">by a pattern of months</option><option value="days">by days</option><option value="target"
        >at a target of days</option
      >
    </select>
    <ShareTerms {assumption} {save} {shared} />
  </span>
{/snippet}

{#if by === 'months'}
  <PatternEditor {assumption} save={saveTerms} {head} />
{:else}
  <div class="mb-1.5">{@render head()}</div>
  {#if by === 'days'}
    <DayTermsEditor days={assumption.days as Json} save={saveTerms} />
  {:else}
    <StepsEditor
      label="days of what is billed that stand at a month's end"
      steps={((assumption.target ?? []) as StepJson[]).map((step) => ({ ...step, value: String(step.value) }))}
      {first}
      onchange={(change) =>
        saveTerms((now) => ({ ...now, target: change((now.target ?? []) as StepJson[]) }), 'target of days set')}
    />
    <p class="hush mt-1">
      For the long range: what is owed at a month's end is counted back over what was billed, and the rest comes in
      evenly.
    </p>
  {/if}
{/if}
{#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
