<script lang="ts">
  import Segments from '../../lib/Segments.svelte';
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import RollForwardGrid from './RollForwardGrid.svelte';
  import RollForwardPanel from './RollForwardPanel.svelte';
  import { KINDS, type Place } from './rolls';
  import type { By } from './statements';

  interface Props {
    time: TimeWindow;
    by: By;
  }

  let { time, by }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/roll-forwards', {
        params: { path: { plan: plan.id }, query: { by, from: time.from, to: time.to } },
        signal,
      }),
    );
  });
  const there = $derived(KINDS.filter((kind) => loaded.data?.some((roll) => roll.kind === kind.value)));
  let chosen = $state<string>();
  const kind = $derived(there.find((one) => one.value === chosen) ?? there[0]);
  const rolls = $derived(loaded.data?.filter((roll) => roll.kind === kind?.value) ?? []);
  let place = $state<Place>();
</script>

{#if kind}
  <div class="mb-2 flex items-center gap-3">
    <Segments
      label="What is rolled forward"
      options={there}
      value={kind.value}
      onchoose={(value) => {
        chosen = value;
        place = undefined;
      }}
    />
    <span class="hush flex-1">{kind.sentence}</span>
  </div>
{/if}
{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if rolls.length}
  <RollForwardGrid {rolls} onopen={(at) => (place = at)} onleave={() => (place = undefined)} />
{:else if loaded.data}
  <p class="card">
    Here stands what customers owe, what suppliers are owed, stock and tax, month by month: opening, what is added and
    paid, closing. It follows from the lines under Receipts and Payments that are planned by month.
  </p>
{/if}
{#if place}
  <RollForwardPanel {place} onclose={() => (place = undefined)} />
{/if}
