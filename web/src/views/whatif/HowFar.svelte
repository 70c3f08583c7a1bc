<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { router } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { noDay, readDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import HowFarChart from './HowFarChart.svelte';
  import { putScenario } from './putting';
  import TargetField from './TargetField.svelte';
  import {
    changeOf,
    edge,
    empty,
    freeName,
    newId,
    MEASURES,
    nothingCalled,
    type Choice,
    type Measure,
    type ScenarioView,
  } from './whatif';

  interface Props {
    /** The scenarios there are. */
    scenarios: ScenarioView[];
    /** Hears of the scenario that an answer was made. */
    onmade: (id: string) => void;
  }

  let { scenarios, onmade }: Props = $props();
  const plan = getPlan();
  /** Asked from another view, it says of what: of a line or an assumption by its words, or of a change of a scenario. */
  const query = new URLSearchParams(router.querystring ?? '');
  let words = $state(query.get('of') ?? '');
  let ofChange = $state(query.get('change') ?? '');
  const change = $derived(changeOf(scenarios, ofChange));
  let found = $state<Choice>();
  let measure = $state<Measure>('LEAST_HEADROOM');
  let bound = $state('0');
  let day = $state('');
  let from = $state('');
  let to = $state('');
  let refusal = $state('');
  const asksDay = $derived(measure === 'CLOSING' || measure === 'PROFIT');
  let asked = $state.raw<{ words: string; choice?: Choice; from: string; to: string }>();
  let told = $state.raw<Schemas['BreakEvenView']>();

  async function ask(e: SubmitEvent) {
    e.preventDefault();
    const on = asksDay && day ? readDay(day) : undefined;
    const first = edge(from, 'from');
    const last = edge(to, 'to');
    refusal =
      !found && !change
        ? nothingCalled(words)
        : on === null
          ? noDay(day)
          : first === null || last === null
            ? `'${first === null ? from : to}' is neither a month nor a day: type one such as Apr 2026 or 2026-04-17.`
            : '';
    if (refusal) return;
    const target = found?.target;
    const got = await answer(
      api.GET('/api/plans/{plan}/break-even', {
        params: {
          path: { plan: plan.id },
          query: {
            ...(change ? { ofScenario: change.scenario, change: change.id } : {}),
            ...(target?.kind === 'assumption' ? { path: target.path } : {}),
            ...(target?.kind === 'line' ? { line: target.line } : {}),
            ...(first ? { from: first } : {}),
            ...(last ? { to: last } : {}),
            ...(on ? { day: on } : {}),
            measure,
            bound: bound.replaceAll(',', '').trim(),
          },
        },
      }),
    );
    if (got.ok)
      [told, asked] = [
        got.data,
        { words: change?.words ?? found!.words, choice: found, from: first ?? '', to: last ?? '' },
      ];
    else refusal = got.problem.detail;
  }

  /** A scenario in which it stands where it just suffices. */
  async function make(value: string) {
    if (!told || !asked?.choice) return;
    const made = empty(
      freeName(
        `${asked.words} at ${value}${told.scales ? '%' : ''}`,
        scenarios.map((one) => one.scenario.name),
      ),
    );
    made.changes = [
      {
        id: newId(),
        target: asked.choice.target,
        act: told.scales ? { kind: 'scale', to: value } : { kind: 'set', value },
        ...(asked.from ? { from: asked.from } : {}),
        ...(asked.to ? { to: asked.to } : {}),
        note: '',
        on: true,
      },
    ];
    const refused = await putScenario(plan, made);
    if (refused) refusal = refused.detail;
    else onmade(made.id);
  }
</script>

<section class="card" aria-label="How far can something go">
  <form class="flex flex-wrap items-end gap-2" onsubmit={(e) => void ask(e)}>
    {#if change}
      <p class="max-w-[420px]">
        <span class="hush block">How far can this change go</span>
        {change.words}
        <button type="button" class="ml-2 underline" onclick={() => (ofChange = '')}>ask of something else</button>
      </p>
    {:else}
      <TargetField bind:words bind:found label="How far can this go" />
      <EntryField above label="From" class="w-[96px]" placeholder="always" bind:value={from} />
      <EntryField above label="To" class="w-[96px]" placeholder="no end" bind:value={to} />
    {/if}
    <ChoiceField above label="until" bind:value={measure} options={MEASURES} />
    {#if asksDay}
      <EntryField above label="day" class="w-[110px]" placeholder="the last" bind:value={day} />
    {/if}
    <EntryField above label="is below {plan.money.symbol}" class="w-[110px] text-right" bind:value={bound} />
    <Act main type="submit">How far?</Act>
    <Refusal words={refusal} class="w-full" />
  </form>
  {#if told && asked}
    <p class="mt-3 text-[15px]" role="status"><b class="font-semibold">{asked.words}.</b> {told.sentence}</p>
    <HowFarChart {told} />
    {#each [told.nearest, told.down, told.up] as value, i (i)}
      {#if value && asked.choice}
        <span class="mr-2"
          ><Act onclick={() => void make(value)}>Make a scenario of {value}{told.scales ? '%' : ''}</Act></span
        >
      {/if}
    {/each}
  {/if}
</section>
