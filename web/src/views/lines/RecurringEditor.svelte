<script lang="ts">
  import { monthStart, readDay } from '../../lib/dates';
  import { readPercent } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import CertaintyAndHoliday from './CertaintyAndHoliday.svelte';
  import StepsEditor from './StepsEditor.svelte';
  import { Said } from './said.svelte';
  import type { Json, Save, StepJson } from './save';

  interface Props {
    assumption: Json;
    save: Save;
  }

  let { assumption, save }: Props = $props();
  const plan = getPlan();
  const when = $derived(assumption.when as Json);
  const said = new Said();

  async function put(part: Json, words: string) {
    await said.of(
      save((now) => {
        const next: Json = { ...(now.when as Json), ...part };
        if (next.until === null) delete next.until;
        return { ...now, when: next };
      }, words),
    );
  }

  function setDate(field: 'first' | 'until', typed: string) {
    const day = readDay(typed);
    if (field === 'until' && typed.trim() === '') void put({ until: null }, 'without an end');
    else if (!day) said.now(`'${typed}' is no date: type one such as 2026-07-01 or 1/7/2026.`);
    else void put({ [field]: day }, `${field === 'first' ? 'first' : 'last'} date ${day}`);
  }

  function setTerms(typed: string) {
    if (/^\d{1,3}$/.test(typed.trim())) {
      void said.of(save((now) => ({ ...now, termsDays: Number(typed) }), `paid ${typed} days after`));
    } else said.now(`'${typed}' is no whole number of days: type 0, or 30.`);
  }

  function setUplift(typed: string) {
    const percent = readPercent(typed);
    if (percent === null) said.now(`'${typed}' is no percentage: type a number such as 2.5.`);
    else void said.of(save((now) => ({ ...now, yearlyUplift: percent }), `${percent}% a year`));
  }

  function setEvery(typed: string) {
    if (/^\d{1,3}$/.test(typed.trim())) void put({ every: Number(typed) }, `every ${typed}`);
    else said.now(`'${typed}' is no whole number: type every how many, such as 1 or 2.`);
  }
</script>

<div class="card mb-2.5">
  <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
    <label>
      <span class="hush">Every</span>
      <input
        class="small-field w-[46px] text-right"
        value={when.every ?? 1}
        onchange={(e) => setEvery(e.currentTarget.value)}
      />
    </label>
    <select
      class="small-field"
      aria-label="Unit"
      value={when.unit}
      onchange={(e) => void put({ unit: e.currentTarget.value }, `by ${e.currentTarget.value}`)}
    >
      <option value="week">weeks</option><option value="month">months</option><option value="year">years</option>
    </select>
    <label>
      <span class="hush">first on</span>
      <input
        class="small-field w-[104px]"
        value={when.first}
        onchange={(e) => setDate('first', e.currentTarget.value)}
      />
    </label>
    <label>
      <span class="hush">last on</span>
      <input
        class="small-field w-[104px]"
        placeholder="no end"
        value={when.until ?? ''}
        onchange={(e) => setDate('until', e.currentTarget.value)}
      />
    </label>
    <StepsEditor
      label="amount each time"
      steps={(assumption.amount ?? []) as StepJson[]}
      first={monthStart(plan.view!.tide.asOf)}
      onchange={(amount) => save((now) => ({ ...now, amount }), 'amount set')}
    />
    <label>
      <span class="hush">more each year %</span>
      <input
        class="small-field w-[56px] text-right"
        value={assumption.yearlyUplift ?? '0'}
        onchange={(e) => setUplift(e.currentTarget.value)}
      />
    </label>
    <label>
      <span class="hush">paid days after</span>
      <input
        class="small-field w-[46px] text-right"
        value={assumption.termsDays ?? 0}
        onchange={(e) => setTerms(e.currentTarget.value)}
      />
    </label>
  </div>
  <CertaintyAndHoliday {assumption} {save} certainty />
  {#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
</div>
