<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import { push } from 'svelte-spa-router';
  import Act from '../../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../../lib/api';
  import { longDay } from '../../../lib/dates';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { address } from '../../../lib/place.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import Segments from '../../../lib/Segments.svelte';
  import { periodWords } from '../../forecast/rows';
  import type { Length, Row } from '../track';
  import CommentaryCard from './CommentaryCard.svelte';
  import DetailPanel from './DetailPanel.svelte';
  import VarianceCards from './VarianceCards.svelte';
  import VarianceTable from './VarianceTable.svelte';
  import WhyLegend from './WhyLegend.svelte';

  interface Props {
    snapshots: Schemas['SnapshotListed'][];
    /** The snapshot that is chosen; the latest with facts after it when none is. */
    chosenId: string | undefined;
  }

  let { snapshots, chosenId }: Props = $props();
  const plan = getPlan();
  let by = $state<Length>('WEEK');
  let from = $state<string>();
  let openId = $state<string>();
  let figures = $state(false);
  const chosen = $derived(
    snapshots.find((one) => one.id === chosenId) ??
      snapshots.find((one) => one.asOf < plan.view!.tide.asOf) ??
      snapshots[0]!,
  );
  const variance = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/snapshots/{id}/variance', {
        params: { path: { plan: plan.id, id: chosen.id }, query: { by, ...(from ? { from } : {}) } },
        signal,
      }),
    );
  });
  const data = $derived(variance.data);
  const at = $derived(data?.windows.findIndex((w) => w.from === data.window?.from) ?? -1);
  const open = $derived(data?.rows.find((row) => row.id === openId));

  function step(to: number) {
    const next = data?.windows[at + to];
    if (next) from = next.from;
  }

  async function note(row: Row, words: string): Promise<string> {
    const window = data!.window!;
    const problem = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/snapshots/{id}/note', {
          params: { path: { plan: plan.id, id: chosen.id }, query: { version } },
          body: { row: row.id, from: window.from, to: window.to, note: words },
        }),
      ),
    );
    return problem?.detail ?? '';
  }
</script>

<svg width="0" height="0" class="absolute" aria-hidden="true">
  <defs>
    <pattern id="open" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="5" height="5" fill="#fff" /><path d="M0 0V5" stroke="#12303b" stroke-width="2.4" />
    </pattern>
  </defs>
</svg>
<div class="mb-2 flex h-[30px] items-center gap-[10px]">
  <span class="hush min-w-0 flex-1 truncate"
    >{data?.window
      ? `${periodWords(data.window.from, data.window.to)}, against the forecast of ${longDay(chosen.asOf)}`
      : ''}</span
  >
  <ChoiceField
    class="max-w-[230px]"
    name="Snapshot"
    value={chosen.id}
    onchoose={(chosen) => {
      from = undefined;
      void push(address(plan.id, 'track', chosen));
    }}
    options={snapshots.map((one) => ({ value: one.id, name: one.name }))}
  />
  <div class="flex" role="group" aria-label="Window">
    <Act onclick={() => step(-1)} disabled={at <= 0} title="The window before">◂</Act>
    <Act onclick={() => step(1)} disabled={!data || at >= data.windows.length - 1} title="The window after">▸</Act>
  </div>
  <Segments
    label="Reasons as"
    options={[
      { value: 'bars', name: 'Bars' },
      { value: 'figures', name: 'Figures' },
    ]}
    value={figures ? 'figures' : 'bars'}
    onchoose={(to) => (figures = to === 'figures')}
  />
  <Segments
    label="Compare by"
    options={[
      { value: 'WEEK', name: 'Week' },
      { value: 'MONTH', name: 'Month' },
      { value: 'QUARTER', name: 'Quarter' },
      { value: 'YEAR', name: 'Year' },
      { value: 'TO_DATE', name: 'To date' },
    ]}
    value={by}
    onchoose={(chosenBy) => {
      by = chosenBy;
      from = undefined;
    }}
  />
</div>

{#if variance.problem}
  <Refusal words={variance.problem.detail} />
{:else if data && !data.window}
  <div class="card max-w-[640px]">
    <p>
      '{chosen.name}' begins on the day after {longDay(chosen.asOf)}, and facts are known up to {longDay(
        plan.view!.tide.asOf,
      )}.
    </p>
    <p class="mt-1">Bring in later statements under Position and move the as-of date; then it can be compared.</p>
  </div>
{:else if data?.window}
  <div class="grid grid-cols-[1fr_276px] items-start gap-4">
    <div>
      <VarianceTable
        rows={data.rows}
        carryTo={data.carryTo}
        {figures}
        onopen={(row) => (openId = row.id)}
        onnote={note}
        onleave={() => (openId = undefined)}
      />
      <WhyLegend />
      {#key chosen.id}<CommentaryCard snapshot={chosen} {by} from={data.window.from} />{/key}
    </div>
    <div class="flex flex-col gap-3">
      <VarianceCards
        rows={data.rows}
        moved={data.moved}
        note={chosen.note}
        toExplain={data.toExplain}
        explained={data.explained}
      />
    </div>
  </div>
  {#if open}
    {#key open.id}
      <DetailPanel row={open} snapshot={chosen.id} {by} from={data.window.from} onclose={() => (openId = undefined)} />
    {/key}
  {/if}
{/if}
