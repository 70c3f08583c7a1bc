<script lang="ts">
  import ChoiceField from '../../../../lib/fields/ChoiceField.svelte';
  import { getPlan } from '../../../../lib/plan.svelte';
  import DayTermsEditor from './DayTermsEditor.svelte';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import PatternEditor from './PatternEditor.svelte';
  import type { Save, Step, Stream } from '../../save';
  import ShareTerms from './ShareTerms.svelte';
  import { termsOf, type TermsJson } from './terms';

  interface Props {
    assumption: Stream;
    save: Save<Stream>;
    /** The date a first value holds from. */
    first: string;
    /** Whether the line is a payment: a day without banking moves the other way then. */
    paid: boolean;
  }

  let { assumption, save, first, paid }: Props = $props();
  const plan = getPlan();
  const by = $derived(assumption.termsBy);
  const shared = $derived(plan.settings.terms?.find((one) => one.id === assumption.sharedTerms));
  const WORDS: Record<TermsJson['termsBy'], string> = {
    months: 'paid by a pattern of months',
    days: 'paid by days',
    target: 'standing at a target of days',
  };

  /** Terms that are shared are changed where they stand, for every line that shares them. */
  async function saveTerms(change: (now: TermsJson) => TermsJson, words: string): Promise<string> {
    if (!shared) return save((now) => ({ ...now, ...change(now) }), words);
    const problem = await plan.putSettings((now) => ({
      ...now,
      terms: now.terms.map((one) => (one.id === shared.id ? { ...one, ...termsOf(change(one)) } : one)),
    }));
    return problem?.detail ?? '';
  }

  /** Days of a target are typed as any other steps are. */
  function asText(target: TermsJson['target'] = []): Step[] {
    return target.map((step) => ({ ...step, value: String(step.value) }));
  }

  function asNumbers(steps: Step[]): TermsJson['target'] {
    return steps.map((step) => ({ ...step, value: Number(step.value) }));
  }

  /** What was typed into the other terms stays with the line. */
  function choose(termsBy: TermsJson['termsBy']) {
    const begun: Partial<TermsJson> =
      termsBy === 'days'
        ? { days: { due: 'after-issue', days: 30, late: 0, convention: paid ? 'preceding' : 'following' } }
        : termsBy === 'target'
          ? { target: [{ from: first, value: 30 }] }
          : {};
    return saveTerms((now) => ({ ...begun, ...now, termsBy }), WORDS[termsBy]);
  }
</script>

{#snippet head()}
  <span class="flex flex-wrap items-baseline gap-3">
    <b class="font-semibold">When it is paid</b>
    <ChoiceField
      name="Terms"
      value={by}
      onput={choose}
      options={[
        { value: 'months', name: 'by a pattern of months' },
        { value: 'days', name: 'by days' },
        { value: 'target', name: 'at a target of days' },
      ]}
    />
    <ShareTerms {assumption} {save} {shared} />
  </span>
{/snippet}

{#if by === 'months'}
  <PatternEditor {assumption} save={saveTerms} {head} />
{:else}
  <div class="mb-1.5">{@render head()}</div>
  {#if by === 'days'}
    <DayTermsEditor days={assumption.days!} save={saveTerms} />
  {:else}
    <StepsEditor
      label="days of what is billed that stand at a month's end"
      steps={asText(assumption.target)}
      {first}
      onchange={(change) =>
        saveTerms((now) => ({ ...now, target: asNumbers(change(asText(now.target))) }), 'target of days set')}
    />
    <p class="hush mt-1">
      For the long range: what is owed at a month's end is counted back over what was billed, and the rest comes in
      evenly.
    </p>
  {/if}
{/if}
