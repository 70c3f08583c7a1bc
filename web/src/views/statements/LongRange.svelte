<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { fullDay } from '../../lib/dates';
  import FigureGrid from '../../lib/grid/FigureGrid.svelte';
  import type { FigureRow } from '../../lib/grid/figures';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import LongRangeFields from './LongRangeFields.svelte';
  import type { Assumed } from './long';

  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/statements/long-range', { params: { path: { plan: plan.id } }, signal }));
  });
  const view = $derived(loaded.data);
  const assumed = $derived(plan.settings.longRange);
  let refusal = $state('');
  let chosen = $state(0);
  const need = $derived(view?.needs[Math.min(chosen, (view?.needs.length ?? 1) - 1)]);
  const columns = $derived(
    (view?.ends ?? []).map((end, i) => ({ key: end, name: i ? `Year ${i + 1}` : 'Year 1', sub: `to ${fullDay(end)}` })),
  );
  const rows = $derived(
    (view?.rows ?? []).map((row) => ({
      key: row.id,
      name: row.name,
      style: row.style as FigureRow['style'],
      amounts: row.amounts,
    })),
  );

  async function keep(next: Assumed | null): Promise<string> {
    const refused = await plan.putSettings(({ longRange: _was, ...now }) => (next ? { ...now, longRange: next } : now));
    return (refusal = refused?.detail ?? '');
  }
</script>

<Refusal words={loaded.problem?.detail} />
<Refusal words={refusal} class="mb-2" />
{#if view?.missing}
  <p class="card">{view.missing}.</p>
{:else if view?.proposed}
  <section class="card" aria-label="Years after the months">
    <p class="mb-2">
      The years after the months that are planned go on in percent of sales: the last twelve months are the first year,
      and what the others need from outside is one figure with its parts.
    </p>
    <Act main onclick={() => void keep(view.proposed)}>Go on as the last twelve months were</Act>
  </section>
{:else if view && assumed && need}
  <p class="mb-2"><b class="font-semibold">{need.sentence}.</b></p>
  <div class="grid grid-cols-[1fr_330px] items-start gap-4">
    <div>
      <FigureGrid
        label="Years after the months"
        {rows}
        {columns}
        taken={240}
        onopen={(_row, column) => (chosen = Math.max(0, column - 1))}
        onleave={() => (chosen = 0)}
      />
      <section class="card mt-3" aria-label="What is needed from outside">
        <ChoiceField
          label="What is needed from outside up to"
          name="Year of the need"
          bind:value={chosen}
          options={view.needs.map((one, i) => ({ value: i, name: fullDay(one.end) }))}
        />
        <table class="figures mt-1">
          <tbody>
            {#each need.parts as part (part.what)}
              <tr><th class="words" scope="row">{part.what}</th><td>{plan.money.full(part.minor)}</td></tr>
            {/each}
            <tr class="bg-foam font-[650]"
              ><th class="words" scope="row">{need.minor < 0 ? 'Left above minimum cash' : 'Needed from outside'}</th
              ><td>{plan.money.full(need.minor)}</td></tr
            >
          </tbody>
        </table>
      </section>
    </div>
    <LongRangeFields {assumed} onput={keep} />
  </div>
{/if}
