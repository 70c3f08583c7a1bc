<script lang="ts">
  import TypedField from '../../lib/TypedField.svelte';
  import { Said } from '../../lib/said.svelte';
  import type { Settings } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';

  type Runs = NonNullable<Settings['paymentRuns']>;

  interface Props {
    settings: Partial<Settings>;
    /** Puts a part of the settings; gives the refusal, or nothing. */
    put: (part: Partial<Settings>) => Promise<string>;
  }

  let { settings, put }: Props = $props();
  const said = new Said();
  const DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
  const runs = $derived(settings.paymentRuns);

  function change(part: Partial<Runs>): Promise<string> {
    const usual: Runs = { when: 'weekly', weekday: 'friday', days: [25], stretch: 0, takes: 'on-or-after' };
    return put({ paymentRuns: { ...usual, ...runs, ...part } });
  }

  function choose(when: Runs['when'] | 'none') {
    void said.of(when === 'none' ? put({ paymentRuns: undefined }) : change({ when }));
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
  <select
    class="small-field"
    aria-label="Bills are paid"
    value={runs?.when ?? 'none'}
    onchange={(e) => choose(e.currentTarget.value as Runs['when'] | 'none')}
  >
    <option value="none">one by one</option><option value="weekly">in a run each week</option><option
      value="days-of-month">in runs on days of the month</option
    ><option value="last-business-day">in a run on the last business day</option>
  </select>
  {#if runs?.when === 'weekly'}
    <select
      class="small-field"
      aria-label="Weekday of the payment run"
      value={runs.weekday}
      onchange={(e) => said.of(change({ weekday: e.currentTarget.value as Runs['weekday'] }))}
    >
      {#each DAYS as day (day)}<option>{day}</option>{/each}
    </select>
  {:else if runs?.when === 'days-of-month'}
    <TypedField name="Days of the payment runs" class="w-[80px]" value={runs.days.join(', ')} onput={setDays} />
  {/if}
  {#if runs}
    <select
      class="small-field"
      aria-label="Which run takes a bill"
      value={runs.takes}
      onchange={(e) => said.of(change({ takes: e.currentTarget.value as Runs['takes'] }))}
    >
      <option value="on-or-after">the first on or after</option><option value="on-or-before"
        >the last on or before</option
      >
    </select>
    <TypedField
      name="Days bills are stretched"
      class="w-[40px] text-right"
      value={String(runs.stretch)}
      onput={setStretch}
      after="days from due"
    />
  {/if}
  <Refusal words={said.words} class="basis-full" />
</div>
