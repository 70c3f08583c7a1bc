<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { address } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import SaveSnapshot from '../forecast/SaveSnapshot.svelte';
  import AccuracyTab from './accuracy/AccuracyTab.svelte';
  import ActualsTab from './ActualsTab.svelte';
  import MovedTab from './MovedTab.svelte';
  import SnapshotsTab from './SnapshotsTab.svelte';
  import VarianceTab from './variance/VarianceTab.svelte';

  interface Props {
    /** A part of the view, or the snapshot that is held against what happened. */
    part?: string;
  }

  let { part }: Props = $props();
  const plan = getPlan();
  const TABS = [
    { value: 'variance', name: 'Variance' },
    { value: 'moved', name: 'What moved' },
    { value: 'accuracy', name: 'Accuracy' },
    { value: 'actuals', name: 'Type actuals' },
    { value: 'snapshots', name: 'Snapshots' },
  ] as const;
  type Tab = (typeof TABS)[number]['value'];
  const SAYS: Record<Tab, string> = {
    variance: 'What came otherwise than forecast, and why?',
    moved: 'What moved the forecast since a snapshot?',
    accuracy: 'How far ahead can the forecast be trusted?',
    actuals: 'What happened, where there is no bank file?',
    snapshots: 'Which forecasts are kept?',
  };
  const tab = $derived<Tab>(TABS.find(({ value }) => value === part)?.value ?? 'variance');

  const snapshots = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/snapshots', { params: { path: { plan: plan.id } }, signal }));
  });
</script>

<div class="mb-2 flex h-[34px] items-center gap-[10px]">
  <h1>Track</h1>
  <span class="hush min-w-0 flex-1 truncate">{SAYS[tab]}</span>
  <Segments
    tabs
    label="Part of Track"
    options={TABS}
    value={tab}
    onchoose={(to) => void push(address(plan.id, 'track', to === 'variance' ? undefined : to))}
  />
  <SaveSnapshot />
</div>

{#if snapshots.problem}
  <Refusal words={snapshots.problem.detail} />
{:else if tab === 'actuals'}
  <ActualsTab />
{:else if snapshots.data?.length === 0}
  <div class="card max-w-[640px]">
    <p>Here a saved forecast is held against what the bank booked, line by line.</p>
    <p class="mt-1">Save the forecast now; after the next statements come in, this view says where it was wrong.</p>
  </div>
{:else if snapshots.data}
  {#if tab === 'variance'}
    <VarianceTab snapshots={snapshots.data} chosenId={part} />
  {:else if tab === 'moved'}
    <MovedTab snapshots={snapshots.data} />
  {:else if tab === 'accuracy'}
    <AccuracyTab />
  {:else}
    <SnapshotsTab snapshots={snapshots.data} />
  {/if}
{/if}
