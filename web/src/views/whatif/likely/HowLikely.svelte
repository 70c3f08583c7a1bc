<script lang="ts">
  import { InAddress } from '../../../lib/address.svelte';
  import Act from '../../../lib/Act.svelte';
  import { answer, api } from '../../../lib/api';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import DrawnLines from './DrawnLines.svelte';
  import FanChart from './FanChart.svelte';
  import LikelyAnswer from './LikelyAnswer.svelte';
  import { count, FIRST_RUNS } from './likely';
  import TriedBefore from './TriedBefore.svelte';

  const plan = getPlan();
  const runsSaid = new InAddress('runs', '1000');
  const weeksSaid = new InAddress('weeks', '26');
  const seedSaid = new InAddress('seed', '1');
  const runs = $derived(Number(runsSaid.value) || 1000);
  const weeks = $derived(Number(weeksSaid.value) || 26);
  const seed = $derived(Number(seedSaid.value) || 1);
  let stopped = $state(false);

  function ask(many: number, signal: AbortSignal) {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/simulation', {
        params: { path: { plan: plan.id }, query: { runs: many, weeks, seed } },
        signal,
      }),
    );
  }

  const few = new Loaded((signal) => ask(Math.min(FIRST_RUNS, runs), signal));
  const all = new Loaded((signal) => (stopped || runs <= FIRST_RUNS ? null : ask(runs, signal)));
  const isWhole = $derived(all.data?.runs === runs && all.data.seed === seed && !stopped);
  const told = $derived(isWhole ? all.data : few.data);
  const problem = $derived(all.problem ?? few.problem);

  /** A link has no headers to say what is looked at. */
  const csv = $derived(
    `/api/plans/${plan.id}/simulation/csv?runs=${runs}&weeks=${weeks}&seed=${seed}` +
      (plan.view?.shown ? `&scenario=${encodeURIComponent(plan.view.shown.id)}` : ''),
  );

  function put(set: (number: number) => void, most: number, name: string) {
    return (typed: string) => {
      const read = count(typed, most, name);
      if (typeof read === 'string') return read;
      stopped = false;
      set(read);
      return '';
    };
  }
</script>

<div class="mb-2 flex flex-wrap items-center gap-3">
  <TypedField
    value={String(runs)}
    onput={put((to) => (runsSaid.value = String(to)), 10000, 'Runs')}
    label="Runs "
    class="w-[64px] text-right"
  />
  <TypedField
    value={String(weeks)}
    onput={put((to) => (weeksSaid.value = String(to)), 104, 'Weeks')}
    label="Weeks "
    class="w-[46px] text-right"
  />
  <TypedField
    value={String(seed)}
    onput={put((to) => (seedSaid.value = String(to)), 999999999, 'Seeds')}
    label="Seed "
    class="w-[64px] text-right"
  />
  <span class="hush flex-1">the same seed draws the same runs, of the base and of every scenario</span>
  <Act href={csv}>Export CSV</Act>
  {#if told && !isWhole && runs > FIRST_RUNS && !problem}
    <span role="status" class="hush">{stopped ? `stopped at ${told.runs} runs` : `${told.runs} of ${runs} runs …`}</span
    >
    <Act onclick={() => (stopped = !stopped)}>{stopped ? 'Go on' : 'Stop'}</Act>
  {/if}
</div>

{#if problem}
  <Refusal words={problem.detail} />
{:else if told && !told.weeks.length}
  <p class="card">The horizon ends before a whole week is over: plan more months ahead under Setup.</p>
{:else if told}
  <div class="grid grid-cols-[1fr_380px] items-start gap-3">
    <div>
      <FanChart {told} />
      <TriedBefore {runs} {weeks} {seed} />
      <DrawnLines {told} />
    </div>
    <LikelyAnswer {told} />
  </div>
{:else}
  <p class="hush" role="status">The first runs are drawn …</p>
{/if}
