<script lang="ts">
  import { push } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { longDay, shortDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { address } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Segments from '../../lib/Segments.svelte';
  import { periodWords } from '../forecast/rows';
  import SaveSnapshot from '../forecast/SaveSnapshot.svelte';
  import VarianceCards from './VarianceCards.svelte';
  import VarianceTable from './VarianceTable.svelte';

  interface Props {
    /** The snapshot that is chosen; the latest with facts after it when none is. */
    snapshot?: string;
  }

  let { snapshot }: Props = $props();
  const plan = getPlan();
  let by = $state<'WEEK' | 'MONTH' | 'DATE'>('WEEK');
  let from = $state<string>();

  const snapshots = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/snapshots', { params: { path: { plan: plan.id } }, signal }));
  });
  const chosen = $derived(
    snapshots.data?.find((one) => one.id === snapshot) ??
      snapshots.data?.find((one) => one.asOf < plan.view!.tide.asOf) ??
      snapshots.data?.[0],
  );
  const variance = new Loaded((signal) => {
    void plan.version;
    const id = chosen?.id;
    if (!id) return null;
    return answer(
      api.GET('/api/plans/{plan}/snapshots/{id}/variance', {
        params: {
          path: { plan: plan.id, id },
          query: { by: by === 'DATE' ? 'WEEK' : by, toDate: by === 'DATE', ...(from ? { from } : {}) },
        },
        signal,
      }),
    );
  });
  const data = $derived(variance.data);
  const at = $derived(data?.windows.findIndex((w) => w.from === data.window?.from) ?? -1);

  function step(by: number) {
    const next = data?.windows[at + by];
    if (next) from = next.from;
  }

  function remove() {
    const id = chosen!.id;
    void plan.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/snapshots/{id}', { params: { path: { plan: plan.id, id }, query: { version } } }),
      ),
    );
  }
</script>

<div class="mb-2 flex h-[34px] items-center gap-[10px]">
  <h1>Track</h1>
  <span class="hush min-w-0 flex-1 truncate">
    {data?.window && chosen
      ? `${periodWords(data.window.from, data.window.to)}, against the forecast of ${longDay(chosen.asOf)}`
      : ''}
  </span>
  {#if snapshots.data?.length}
    <select
      class="small-field max-w-[300px]"
      aria-label="Snapshot"
      value={chosen?.id}
      onchange={(e) => {
        from = undefined;
        void push(address(plan.id, 'track', e.currentTarget.value));
      }}
    >
      {#each snapshots.data as one (one.id)}
        <option value={one.id}
          >{one.name}: low water {plan.money.short(one.lowWaterCash)} on {shortDay(one.lowWaterDay)}</option
        >
      {/each}
    </select>
    <div class="flex" role="group" aria-label="Window">
      <Act onclick={() => step(-1)} disabled={at <= 0} title="The window before">◂</Act>
      <Act onclick={() => step(1)} disabled={!data || at >= data.windows.length - 1} title="The window after">▸</Act>
    </div>
    <Segments
      label="Compare by"
      options={[
        { value: 'WEEK', name: 'Week' },
        { value: 'MONTH', name: 'Month' },
        { value: 'DATE', name: 'To date' },
      ]}
      value={by}
      onchoose={(chosenBy) => {
        by = chosenBy;
        from = undefined;
      }}
    />
    <Act onclick={remove} title="Takes it out of the list; Ctrl Z brings it back">Remove</Act>
  {/if}
  <SaveSnapshot />
</div>

{#if variance.problem || snapshots.problem}
  <p role="alert" class="bad">{(variance.problem ?? snapshots.problem)?.detail}</p>
{:else if snapshots.data?.length === 0}
  <div class="card max-w-[640px]">
    <p>Here a saved forecast is held against what the bank booked, line by line.</p>
    <p class="mt-1">Save the forecast now; after the next statements come in, this view says where it was wrong.</p>
  </div>
{:else if data && !data.window && chosen}
  <div class="card max-w-[640px]">
    <p>
      '{chosen.name}' begins on the day after {longDay(chosen.asOf)}, and facts are known up to {longDay(
        plan.view!.tide.asOf,
      )}.
    </p>
    <p class="mt-1">Bring in later statements under Position and move the as-of date; then it can be compared.</p>
  </div>
{:else if data?.window}
  <div class="grid grid-cols-[1fr_290px] items-start gap-4">
    <VarianceTable rows={data.rows} />
    <VarianceCards rows={data.rows} moved={data.moved} note={chosen?.note ?? ''} />
  </div>
{/if}
