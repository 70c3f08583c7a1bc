<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { push, replace } from 'svelte-spa-router';
  import ForecastView from '../../views/forecast/ForecastView.svelte';
  import FundingView from '../../views/funding/FundingView.svelte';
  import LinesView from '../../views/lines/LinesView.svelte';
  import PositionView from '../../views/position/PositionView.svelte';
  import RollView from '../../views/roll/RollView.svelte';
  import SettingsView from '../../views/settings/SettingsView.svelte';
  import StatementsView from '../../views/statements/StatementsView.svelte';
  import TrackView from '../../views/track/TrackView.svelte';
  import WhatIfView from '../../views/whatif/WhatIfView.svelte';
  import { answer, api } from '../api';
  import { Loaded } from '../loaded.svelte';
  import { address, shownScenario, showScenario, TimeWindow } from '../place.svelte';
  import { PlanState, setPlan } from '../plan.svelte';
  import Refusal from '../Refusal.svelte';
  import TideLine from '../tide/TideLine.svelte';
  import Header from './Header.svelte';
  import JumpBox from './JumpBox.svelte';
  import KeyList from './KeyList.svelte';
  import OutcomeBar from './OutcomeBar.svelte';
  import { nextShown } from './pennant';
  import { isYearsOnly } from '../../views/years/years';
  import { PLACES } from './views';

  interface Props {
    id: string;
    view: string;
    /** The line or snapshot that is chosen in the view. */
    part?: string;
  }

  let { id, view, part }: Props = $props();
  const plan = new PlanState(untrack(() => id));
  setPlan(plan);
  const time = new TimeWindow(() => plan.view);
  let jumping = $state(false);
  let listing = $state(false);

  void plan.load();
  void plan.loadPart();
  onMount(() => plan.sayUnit());
  const yearsOnly = $derived(isYearsOnly(plan.settings, plan.view?.lines.length ?? 1));
  $effect(() => {
    // A plan opens with its forecast, where it has one.
    if (yearsOnly && view === 'forecast') void replace(`/plan/${id}/statements?sheet=years`);
  });
  const isThere = $derived(!!plan.view);
  $effect(() => {
    // What is heard is held against the version that is shown.
    if (isThere) return untrack(() => plan.live.start());
  });
  $effect(() => plan.live.look({ view, part }));

  const band = new Loaded((signal) =>
    plan.version ? answer(api.GET('/api/plans/{plan}/band', { params: { path: { plan: plan.id } }, signal })) : null,
  );
  $effect(() => {
    // It is tried on the base's own past.
    plan.band = plan.view?.shown ? undefined : band.data;
  });

  const breakwater = new Loaded((signal) =>
    plan.view?.scenarios.length
      ? answer(api.GET('/api/plans/{plan}/breakwater', { params: { path: { plan: plan.id } }, signal }))
      : null,
  );
  $effect(() => {
    plan.breakwater = plan.view?.scenarios.length ? (breakwater.data?.held ?? null) : null;
  });

  function isTyping(target: EventTarget | null): boolean {
    return target instanceof HTMLElement && (target.matches('input, textarea, select') || target.isContentEditable);
  }

  /** Keys that hold in every view; in a field Ctrl+Z and Ctrl+Y are the field's own. */
  function onkeydown(e: KeyboardEvent) {
    const control = e.ctrlKey || e.metaKey;
    if (control && e.key.toLowerCase() === 'k') jumping = true;
    else if (e.altKey && PLACES[Number(e.key) - 1]) void push(address(id, PLACES[Number(e.key) - 1]!.view));
    else if (e.altKey && e.key.toLowerCase() === 'p') showScenario(nextShown(plan.view));
    else if (e.altKey && e.key.toLowerCase() === 'b') showScenario('');
    else if (isTyping(e.target)) return;
    else if (control && e.key.toLowerCase() === 'z') void (e.shiftKey ? plan.redo() : plan.undo());
    else if (control && e.key.toLowerCase() === 'y') void plan.redo();
    else if (e.key === '?') listing = true;
    else return;
    e.preventDefault();
  }
</script>

<svelte:window {onkeydown} />
<svelte:head><title>{plan.settings.name ?? 'Plan'} · Ebbtide</title></svelte:head>

<div class="flex h-full min-h-screen flex-col">
  <Header {view} onjump={() => (jumping = true)} onkeys={() => (listing = true)} />
  {#if plan.view}
    {#if !yearsOnly}<TideLine from={time.from} to={time.to} onwindow={(from, to) => time.set(from, to)} />{/if}
    {#if plan.view.archived}
      <p role="status" class="border-b border-rule bg-foam px-[18px] py-1">
        This plan is archived: it is read, and not changed. <a class="underline" href="#/plans">Take it out</a> in the list
        of plans.
      </p>
    {/if}
    <OutcomeBar />
    <main class="min-h-0 flex-1 px-[18px] pb-4 pt-3">
      {#if view === 'forecast'}
        <ForecastView {time} />
      {:else if view === 'receipts' || view === 'payments'}
        {#key view}<LinesView direction={view === 'receipts' ? 'receipt' : 'payment'} {time} {part} />{/key}
      {:else if view === 'position' && part === 'roll'}
        <RollView />
      {:else if view === 'position'}
        <PositionView {time} />
      {:else if view === 'funding'}
        <FundingView {time} />
      {:else if view === 'statements'}
        <StatementsView {time} />
      {:else if view === 'track'}
        <TrackView {part} />
      {:else if view === 'whatif'}
        <WhatIfView {time} {part} />
      {:else if view === 'setup'}
        <SettingsView />
      {:else}
        <p>There is no view '{view}'. Choose one above.</p>
      {/if}
    </main>
  {:else if plan.problem}
    <main class="p-6">
      <Refusal words={plan.problem.detail} />
      {#if shownScenario()}
        <p class="mt-2"><button class="underline" onclick={() => showScenario('')}>Show the base</button></p>
      {/if}
      <p class="mt-2"><a class="underline" href="#/plans">Go to the list of plans</a></p>
    </main>
  {/if}
</div>
<JumpBox bind:open={jumping} />
<KeyList bind:open={listing} />
