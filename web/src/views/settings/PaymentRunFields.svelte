<script lang="ts">
  import { WEEKDAYS } from '../../lib/dates';
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import type { Settings } from '../../lib/plan.svelte';

  type Runs = NonNullable<Settings['paymentRuns']>;

  interface Props {
    settings: Partial<Settings>;
    /** Puts a part of the settings; gives the refusal, or nothing. */
    put: (part: Partial<Settings>) => Promise<string>;
  }

  let { settings, put }: Props = $props();
  const runs = $derived(settings.paymentRuns);

  function change(part: Partial<Runs>): Promise<string> {
    const usual: Runs = { when: 'weekly', weekday: 'friday', days: [25], stretch: 0, takes: 'on-or-after' };
    return put({ paymentRuns: { ...usual, ...runs, ...part } });
  }

  function setDays(typed: string) {
    const days = typed.split(/[\s,]+/).filter(Boolean);
    return days.length && days.every((day) => /^([1-9]|[12]\d|3[01])$/.test(day))
      ? change({ days: days.map(Number) })
      : `'${typed}' names no days of the month: type them as 10, 25.`;
  }

  function setStretch(typed: string) {
    return /^\d{1,3}$/.test(typed.trim())
      ? change({ stretch: Number(typed) })
      : `'${typed}' is no number of days: type one such as 3.`;
  }
</script>

<div class="flex flex-wrap items-center gap-x-3 gap-y-1.5">
  <span class="hush w-[140px]">Bills are paid</span>
  <ChoiceField
    name="Bills are paid"
    value={runs?.when ?? 'none'}
    onput={(when) => (when === 'none' ? put({ paymentRuns: undefined }) : change({ when }))}
    options={[
      { value: 'none', name: 'one by one' },
      { value: 'weekly', name: 'in a run each week' },
      { value: 'days-of-month', name: 'in runs on days of the month' },
      { value: 'last-business-day', name: 'in a run on the last business day' },
    ]}
  />
  {#if runs?.when === 'weekly'}
    <ChoiceField
      name="Weekday of the payment run"
      value={runs.weekday}
      onput={(chosen) => change({ weekday: chosen })}
      options={WEEKDAYS}
    />
  {:else if runs?.when === 'days-of-month'}
    <TypedField name="Days of the payment runs" class="w-[80px]" value={runs.days.join(', ')} onput={setDays} />
  {/if}
  {#if runs}
    <ChoiceField
      name="Which run takes a bill"
      value={runs.takes}
      onput={(chosen) => change({ takes: chosen })}
      options={[
        { value: 'on-or-after', name: 'the first on or after' },
        { value: 'on-or-before', name: 'the last on or before' },
      ]}
    />
    <TypedField
      name="Days bills are stretched"
      class="w-[40px] text-right"
      value={String(runs.stretch)}
      onput={setStretch}
      after="days from due"
    />
  {/if}
</div>
