<script lang="ts">
  import ChoiceField from '../../../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../../../lib/fields/TypedField.svelte';
  import ConventionChoice from '../../parts/ConventionChoice.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import type { Save } from '../../save';
  import type { TermsJson } from './terms';

  type DayTerms = NonNullable<TermsJson['days']>;

  interface Props {
    /** The terms by days as the plan file writes them. */
    days: DayTerms;
    save: Save<TermsJson>;
  }

  let { days, save }: Props = $props();
  const early = $derived(days.early ?? {});
  const EARLY = $derived<FieldSpec[]>([
    { kind: 'percent', field: 'discount', label: 'discount for paying early %', optional: true },
    ...(days.early
      ? [
          { kind: 'whole', field: 'days', label: 'within', after: 'days of issue' } as const,
          { kind: 'flag', field: 'taken', label: 'it is taken' } as const,
        ]
      : []),
  ]);

  function putEarly(part: Part, words: string): Promise<string> {
    return save((now) => {
      const begun = { discount: '', days: 10, taken: false, ...now.days!.early };
      return { ...now, days: changed(now.days!, { early: part.discount === null ? null : changed(begun, part) }) };
    }, words);
  }
  const DUES = [
    { due: 'after-issue', name: 'days after issue' },
    { due: 'after-month-end', name: 'days after the end of the month' },
    { due: 'day-of-next-month', name: 'as the day of the month after' },
  ] as const;

  function put(part: Partial<DayTerms>, words: string): Promise<string> {
    return save((now) => ({ ...now, days: { ...now.days!, ...part } }), words);
  }

  /** A day of a month is from 1 to 31: what was typed as days is kept where it can be one. */
  function setDue(due: DayTerms['due']) {
    const typed = days.days;
    const fits = due !== 'day-of-next-month' || (typed >= 1 && typed <= 31);
    return put({ due, ...(fits ? {} : { days: 15 }) }, `due ${due.replaceAll('-', ' ')}`);
  }

  function setNumber(field: 'days' | 'late', typed: string) {
    return /^\d{1,3}$/.test(typed.trim())
      ? put({ [field]: Number(typed) }, field === 'days' ? `due ${typed} days` : `${typed} days late`)
      : `'${typed}' is no whole number of days: type 30, or 0.`;
  }
</script>

<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
  <span class="flex items-baseline gap-1.5">
    <TypedField
      label="due"
      name="Days until due"
      class="w-[46px] text-right"
      value={String(days.days)}
      onput={(typed) => setNumber('days', typed)}
    />
    <ChoiceField
      name="Due"
      value={days.due}
      onput={setDue}
      options={DUES.map((one) => ({ value: one.due, name: one.name }))}
    />
  </span>
  <TypedField
    label="paid"
    name="Days late"
    after="days late as a rule"
    class="w-[46px] text-right"
    value={String(days.late)}
    onput={(typed) => setNumber('late', typed)}
  />
  <ConventionChoice value={days.convention} onput={(convention) => put({ convention }, `convention ${convention}`)} />
</div>
<div class="mt-1.5"><Fields specs={EARLY} of={early} put={putEarly} /></div>
