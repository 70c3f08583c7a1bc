<script lang="ts">
  import { router } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { noDay, readDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import HowFarChart from './HowFarChart.svelte';
  import { putScenario } from './putting';
  import TargetField from './TargetField.svelte';
  import { edge, empty, freeName, newId, MEASURES, nothingCalled, type Choice, type Measure } from './whatif';

  interface Props {
    /** The names of scenarios there are. */
    names: string[];
    /** Hears of the scenario that an answer was made. */
    onmade: (id: string) => void;
  }

  let { names, onmade }: Props = $props();
  const plan = getPlan();
  /** Asked from another view, it says of what. */
  let words = $state(new URLSearchParams(router.querystring ?? '').get('of') ?? '');
  let found = $state<Choice>();
  let measure = $state<Measure>('LEAST_HEADROOM');
  let bound = $state('0');
  let day = $state('');
  let from = $state('');
  let to = $state('');
  let refusal = $state('');
  const asksDay = $derived(measure === 'CLOSING' || measure === 'PROFIT');
  let asked = $state.raw<{ choice: Choice; from: string; to: string }>();
  let told = $state.raw<Schemas['BreakEvenView']>();

  async function ask(e: SubmitEvent) {
    e.preventDefault();
    const on = asksDay && day ? readDay(day) : undefined;
    const first = edge(from, 'from');
    const last = edge(to, 'to');
    refusal = !found
      ? nothingCalled(words)
      : on === null
        ? noDay(day)
        : first === null || last === null
          ? `'${first === null ? from : to}' is neither a month nor a day: type one such as Apr 2026 or 2026-04-17.`
          : '';
    if (refusal || !found) return;
    const target = found.target;
    const got = await answer(
      api.GET('/api/plans/{plan}/break-even', {
        params: {
          path: { plan: plan.id },
          query: {
            ...(target.kind === 'assumption' ? { path: target.path } : {}),
            ...(target.kind === 'line' ? { line: target.line } : {}),
            ...(first ? { from: first } : {}),
            ...(last ? { to: last } : {}),
            ...(on ? { day: on } : {}),
            measure,
            bound: bound.replaceAll(',', '').trim(),
          },
        },
      }),
    );
    if (got.ok) [told, asked] = [got.data, { choice: found, from: first ?? '', to: last ?? '' }];
    else refusal = got.problem.detail;
  }

  /** A scenario in which it stands where it just suffices. */
  async function make(value: string) {
    if (!told || !asked) return;
    const made = empty(freeName(`${asked.choice.words} at ${value}${told.scales ? '%' : ''}`, names));
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
    <TargetField bind:words bind:found label="How far can this go" />
    <label
      ><span class="hush block">From</span>
      <input class="small-field w-[96px]" placeholder="always" bind:value={from} /></label
    >
    <label
      ><span class="hush block">To</span>
      <input class="small-field w-[96px]" placeholder="no end" bind:value={to} /></label
    >
    <label
      ><span class="hush block">until</span>
      <select class="small-field" bind:value={measure}>
        {#each MEASURES as one (one.value)}<option value={one.value}>{one.name}</option>{/each}
      </select></label
    >
    {#if asksDay}
      <label
        ><span class="hush block">day</span>
        <input class="small-field w-[110px]" placeholder="the last" bind:value={day} /></label
      >
    {/if}
    <label
      ><span class="hush block">is below {plan.money.symbol}</span>
      <input class="small-field w-[110px] text-right" bind:value={bound} /></label
    >
    <Act main type="submit">How far?</Act>
    {#if refusal}<p class="bad w-full" role="alert">{refusal}</p>{/if}
  </form>
  {#if told && asked}
    <p class="mt-3 text-[15px]" role="status"><b class="font-semibold">{asked.choice.words}.</b> {told.sentence}</p>
    <HowFarChart {told} />
    {#each [told.nearest, told.down, told.up] as value, i (i)}
      {#if value}
        <span class="mr-2"
          ><Act onclick={() => void make(value)}>Make a scenario of {value}{told.scales ? '%' : ''}</Act></span
        >
      {/if}
    {/each}
  {/if}
</section>
