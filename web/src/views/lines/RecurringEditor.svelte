<script lang="ts">
  import TypedField from '../../lib/TypedField.svelte';
  import { monthStart, noDay, readDay } from '../../lib/dates';
  import { readPercent } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import CertaintyAndHoliday from './CertaintyAndHoliday.svelte';
  import StepsEditor from './methods/StepsEditor.svelte';
  import { Said } from '../../lib/said.svelte';
  import type { Json, Save, StepJson } from './save';

  interface Props {
    assumption: Json;
    save: Save;
  }

  let { assumption, save }: Props = $props();
  const plan = getPlan();
  const when = $derived(assumption.when as Json);
  const said = new Said();

  function put(part: Json, words: string): Promise<string> {
    return save((now) => {
      const next: Json = { ...(now.when as Json), ...part };
      if (next.until === null) delete next.until;
      return { ...now, when: next };
    }, words);
  }

  function setFirst(typed: string) {
    const day = readDay(typed);
    return day ? put({ first: day }, `first date ${day}`) : noDay(typed);
  }

  function setUntil(typed: string) {
    const day = readDay(typed);
    if (typed.trim() === '') return put({ until: null }, 'without an end');
    return day ? put({ until: day }, `last date ${day}`) : noDay(typed);
  }

  function setTerms(typed: string) {
    return /^\d{1,3}$/.test(typed.trim())
      ? save((now) => ({ ...now, termsDays: Number(typed) }), `paid ${typed} days after`)
      : `'${typed}' is no whole number of days: type 0, or 30.`;
  }

  function setUplift(typed: string) {
    const percent = readPercent(typed);
    return percent === null
      ? `'${typed}' is no percentage: type a number such as 2.5.`
      : save((now) => ({ ...now, yearlyUplift: percent }), `${percent}% a year`);
  }

  function setEvery(typed: string) {
    return /^\d{1,3}$/.test(typed.trim())
      ? put({ every: Number(typed) }, `every ${typed}`)
      : `'${typed}' is no whole number: type every how many, such as 1 or 2.`;
  }
</script>

<div class="card mb-2.5">
  <div class="flex flex-wrap items-baseline gap-x-4 gap-y-2">
    <TypedField label="Every" class="w-[46px] text-right" value={String(when.every ?? 1)} onput={setEvery} />
    <select
      class="small-field"
      aria-label="Unit"
      value={when.unit}
      onchange={(e) => said.of(put({ unit: e.currentTarget.value }, `by ${e.currentTarget.value}`))}
    >
      <option value="week">weeks</option><option value="month">months</option><option value="year">years</option>
    </select>
    <TypedField label="first on" class="w-[104px]" value={String(when.first)} onput={setFirst} />
    <TypedField
      label="last on"
      class="w-[104px]"
      placeholder="no end"
      value={String(when.until ?? '')}
      onput={setUntil}
    />
    <StepsEditor
      label="amount each time"
      steps={(assumption.amount ?? []) as StepJson[]}
      first={monthStart(plan.view!.tide.asOf)}
      onchange={(change) => save((now) => ({ ...now, amount: change((now.amount ?? []) as StepJson[]) }), 'amount set')}
    />
    <TypedField
      label="more each year %"
      class="w-[56px] text-right"
      value={String(assumption.yearlyUplift ?? '0')}
      onput={setUplift}
    />
    <TypedField
      label="paid days after"
      class="w-[46px] text-right"
      value={String(assumption.termsDays ?? 0)}
      onput={setTerms}
    />
  </div>
  <CertaintyAndHoliday {assumption} {save} certainty />
  {#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
</div>
