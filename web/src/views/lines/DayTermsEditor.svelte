<script lang="ts">
  import TypedField from '../../lib/TypedField.svelte';
  import { Said } from '../../lib/said.svelte';
  import ConventionChoice from './ConventionChoice.svelte';
  import Fields from './fields/Fields.svelte';
  import { changed, type FieldSpec } from './fields/fields';
  import type { Json, Save } from './save';

  interface Props {
    /** The terms by days as the plan file writes them. */
    days: Json;
    save: Save;
  }

  let { days, save }: Props = $props();
  const said = new Said();
  const early = $derived((days.early ?? {}) as Json);
  const EARLY = $derived<FieldSpec[]>([
    { kind: 'percent', field: 'discount', label: 'discount for paying early %', optional: true },
    ...(days.early
      ? [
          { kind: 'whole', field: 'days', label: 'within', after: 'days of issue' } as const,
          { kind: 'flag', field: 'taken', label: 'it is taken' } as const,
        ]
      : []),
  ]);

  function putEarly(part: Json, words: string): Promise<string> {
    return save((now) => {
      const terms = now.days as Json;
      const next = changed({ days: 10, ...(terms.early as Json), ...part }, {});
      return { ...now, days: changed(terms, { early: next.discount === undefined ? null : next }) };
    }, words);
  }
  const DUES = [
    { due: 'after-issue', name: 'days after issue' },
    { due: 'after-month-end', name: 'days after the end of the month' },
    { due: 'day-of-next-month', name: 'as the day of the month after' },
  ];

  function put(part: Json, words: string): Promise<string> {
    return save((now) => ({ ...now, days: { ...(now.days as Json), ...part } }), words);
  }

  /** A day of a month is from 1 to 31: what was typed as days is kept where it can be one. */
  function setDue(due: string) {
    const typed = Number(days.days);
    const fits = due !== 'day-of-next-month' || (typed >= 1 && typed <= 31);
    void said.of(put({ due, ...(fits ? {} : { days: 15 }) }, `due ${due.replaceAll('-', ' ')}`));
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
    <select class="small-field" aria-label="Due" value={days.due} onchange={(e) => setDue(e.currentTarget.value)}>
      {#each DUES as one (one.due)}<option value={one.due}>{one.name}</option>{/each}
    </select>
  </span>
  <TypedField
    label="paid"
    name="Days late"
    after="days late as a rule"
    class="w-[46px] text-right"
    value={String(days.late ?? 0)}
    onput={(typed) => setNumber('late', typed)}
  />
  <ConventionChoice
    value={String(days.convention)}
    onchoose={(convention) => void said.of(put({ convention }, `convention ${convention}`))}
  />
</div>
<div class="mt-1.5"><Fields specs={EARLY} of={early} put={putEarly} /></div>
{#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
