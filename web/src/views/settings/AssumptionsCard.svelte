<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { link } from 'svelte-spa-router';
  import { answer, api } from '../../lib/api';
  import { longDay, shortDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { addressOfLine } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { matching } from './assumptions';

  const plan = getPlan();
  /** More rows than anybody reads at once; words narrow them down. */
  const MOST = 300;
  let words = $state('');
  let since = $state(false);
  const path = { plan: plan.id };
  const all = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/assumptions', { params: { path }, signal }));
  });
  const snapshots = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/snapshots', { params: { path }, signal }));
  });
  const latest = $derived(snapshots.data?.[0]);
  const shown = $derived(matching(all.data ?? [], words, since ? latest?.takenAt : undefined));
</script>

<section class="card" aria-label="Assumptions">
  <div class="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
    <b class="font-semibold">Assumptions</b>
    <EntryField
      class="w-[240px]"
      placeholder="words of a line, a name, a note"
      name="Search assumptions"
      bind:value={words}
    />
    {#if latest}
      <label class="flex items-center gap-1.5">
        <input type="checkbox" bind:checked={since} />
        <span class="hush">changed since '{latest.name}'</span>
      </label>
    {/if}
    <span class="hush">{shown.length} of {all.data?.length ?? 0}</span>
  </div>
  <Refusal words={all.problem?.detail} />
  <table class="figures" aria-label="Assumptions one by one">
    <thead class="sticky top-0 bg-sheet">
      <tr>
        <th class="words" scope="col">Line</th><th class="words" scope="col">What</th><th scope="col">Value</th><th
          class="words"
          scope="col"
        ></th>
        <th class="words" scope="col">From, or on</th><th class="words" scope="col">Note</th><th
          class="words"
          scope="col">Line last changed</th
        >
      </tr>
    </thead>
    <tbody>
      {#each shown.slice(0, MOST) as one, i (i)}
        <tr>
          <td class="words">
            {#if one.lineId}
              <a class="underline" href={addressOfLine(plan, one.lineId)} use:link>{one.line}</a>
            {:else}{one.line}{/if}
          </td>
          <td class="words">{one.name}</td>
          <td>{one.value}</td>
          <td class="words hush">{one.unit}</td>
          <td class="words">{one.from ? longDay(one.from) : ''}</td>
          <td class="words max-w-[220px] overflow-hidden text-ellipsis" title={one.note}>{one.note}</td>
          <td class="words hush">
            {one.changedAt ? `${shortDay(one.changedAt.slice(0, 10))}, ${one.changedBy}` : 'as first made'}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if shown.length > MOST}<p class="hush mt-1">and {shown.length - MOST} more: type words to narrow them down.</p>{/if}
  {#if all.data && shown.length === 0}<p class="hush mt-1">
      No assumption fits. Change the words{since ? ', or look at all of them' : ''}.
    </p>{/if}
</section>
