<script lang="ts">
  import { push } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { daysBetween } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { address, type TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import BesideView from './beside/BesideView.svelte';
  import EffectsCard from './EffectsCard.svelte';
  import FuturesChart from './FuturesChart.svelte';
  import FuturesTable from './FuturesTable.svelte';
  import { putScenario } from './putting';
  import HowFar from './HowFar.svelte';
  import HowLikely from './likely/HowLikely.svelte';
  import ValuesSheet from './values/ValuesSheet.svelte';
  import WhatMatters from './matters/WhatMatters.svelte';
  import ScenarioCard from './ScenarioCard.svelte';
  import { column, empty, freeName } from './whatif';

  interface Props {
    time: TimeWindow;
    /** The scenario that is chosen. */
    part?: string;
  }

  let { time, part }: Props = $props();
  const plan = getPlan();
  const TABS = [
    { value: 'futures', name: 'Futures' },
    { value: 'values', name: 'Values' },
    { value: 'side-by-side', name: 'Side by side' },
    { value: 'how-far', name: 'How far' },
    { value: 'what-matters', name: 'What matters' },
    { value: 'how-likely', name: 'How likely' },
  ] as const;

  const futures = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/scenarios', { params: { path: { plan: plan.id } }, signal }));
  });
  const all = $derived(futures.data?.scenarios ?? []);
  const flown = $derived(all.filter((one) => !one.scenario.putBy));
  const putBy = $derived(all.filter((one) => one.scenario.putBy));
  const chosen = $derived(all.find((one) => one.scenario.id === part) ?? flown[0]);
  const names = $derived(all.map((one) => one.scenario.name));
  const tab = $derived(TABS.find((one) => one.value === part)?.value ?? 'futures');
  const short = $derived(flown.filter((one) => one.figures.headroom < 0));

  /** The days of the window, of all that the plan has. */
  function windowed(closing: number[]): number[] {
    const first = daysBetween(plan.view!.tide.firstDay, time.from);
    return closing.slice(Math.max(0, first), first + daysBetween(time.from, time.to) + 1);
  }

  function choose(id: string) {
    void push(address(plan.id, 'whatif', id));
  }

  async function make(...wanted: string[]) {
    for (const name of wanted) {
      const made = empty(freeName(name, names));
      if (await putScenario(plan, made)) return;
      choose(made.id);
    }
  }
</script>

<div class="mb-2 flex h-[34px] items-center gap-[10px]">
  <h1>What-if</h1>
  <span class="hush min-w-0 flex-1 truncate">
    {#if !futures.data}
      …
    {:else if !all.length}
      Other futures of this plan, each a list of changes: the plan itself stays as it is.
    {:else}
      {flown.length}
      {flown.length === 1 ? 'future' : 'futures'} beside the base.
      {short.length
        ? short
            .map((one) => `'${one.scenario.name}' runs short by ${plan.money.sum(-one.figures.headroom)}`)
            .join('; ') + '.'
        : 'In each of them headroom lasts.'}
    {/if}
  </span>
  <Segments
    tabs
    label="Part of What-if"
    options={TABS}
    value={tab}
    onchoose={(to) => void push(address(plan.id, 'whatif', to === 'futures' ? undefined : to))}
  />
  {#if futures.data && !all.length}
    <Act onclick={() => void make('Worse', 'Expected', 'Better')}>Make three cases</Act>
  {/if}
  <Act main onclick={() => void make('New scenario')}>New scenario</Act>
</div>

{#if futures.problem}
  <Refusal words={futures.problem.detail} />
{:else if tab === 'what-matters'}
  <WhatMatters {names} onmade={choose} />
{:else if tab === 'side-by-side'}
  <BesideView {time} scenarios={flown.map((one) => one.scenario)} />
{:else if tab === 'values'}
  <ValuesSheet />
{:else if tab === 'how-likely'}
  <HowLikely />
{:else if tab === 'how-far'}
  <HowFar scenarios={all} onmade={choose} />
{:else if futures.data && !all.length}
  <div class="card max-w-[640px]">
    <p>
      Make a scenario and say what differs in it: a customer who pays later, sales that grow slower, a line left out.
    </p>
    <p class="mt-1">
      Show it by the flag in the header, and every view shows that future; what you type meanwhile becomes its change.
      What the base gains later, every scenario has too.
    </p>
  </div>
{:else if futures.data}
  <div class="mb-3 grid grid-cols-[1fr_420px] items-start gap-3">
    <FuturesChart
      futures={[futures.data.closing, ...flown.map((one) => one.closing)].map(windowed)}
      from={time.from}
      to={time.to}
    />
    {#if chosen}<EffectsCard {chosen} base={futures.data.base} />{/if}
  </div>
  <FuturesTable
    columns={[
      {
        key: 'base',
        name: 'Base',
        sub: 'the plan as it stands',
        figures: futures.data.base,
        difference: null,
        chosen: false,
      },
      ...flown.map((one) => column(one, one.scenario.id === chosen?.scenario.id)),
    ]}
    onchoose={choose}
  />
  {#if futures.data.expected}
    <p class="mb-3">
      By their chances headroom is expected at <b class="font-semibold"
        >{plan.money.sum(futures.data.expected.expected)}</b
      >, at worst {plan.money.sum(futures.data.expected.worstHeadroom)} in '{futures.data.expected.worst}'.
    </p>
  {/if}
  {#if chosen}
    {#key chosen.scenario.id}<ScenarioCard {chosen} all={all.map((one) => one.scenario)} onchoose={choose} />{/key}
  {/if}
  {#if putBy.length}
    <p class="mt-3">
      <span class="hush">Put by:</span>
      {#each putBy as one (one.scenario.id)}
        <button class="ml-2 underline" onclick={() => choose(one.scenario.id)}>{one.scenario.name}</button>
      {/each}
    </p>
  {/if}
{/if}
