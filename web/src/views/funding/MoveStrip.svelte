<script lang="ts">
  import { onDestroy } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { addDays, daysBetween, fullDay, shortDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { TideScale } from '../../lib/tide/scale';
  import TideHandle from '../../lib/tide/TideHandle.svelte';

  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/funding/movables', { params: { path: { plan: plan.id } }, signal }));
  });
  const tide = $derived(plan.view!.tide);
  let width = $state(1244);
  /** The same days as on the tide line above it. */
  const scale = $derived(new TideScale(tide.closing.length, [0], [0], 0, Math.max(400, width - 114), 0, 1));
  const asOf = $derived(daysBetween(tide.firstDay, tide.asOf));
  let moved = $state.raw<{ one: Schemas['MovableView']; to: string }>();
  let refusal = $state('');
  let asked = 0;

  function leave() {
    moved = undefined;
    plan.trial = undefined;
    refusal = '';
  }

  onDestroy(leave);

  /** Shows what a move would do; of several asked for in a row the last counts. */
  async function move(one: Schemas['MovableView'], day: number) {
    const to = addDays(tide.firstDay, Math.max(asOf + 1, Math.min(tide.closing.length - 1, day)));
    if (moved?.one.id === one.id && moved.to === to) return;
    moved = { one, to };
    const mine = ++asked;
    const got = await answer(
      api.GET('/api/plans/{plan}/funding/movables/trial', {
        params: { path: { plan: plan.id }, query: { id: one.id, to } },
      }),
    );
    if (mine !== asked || !moved) return;
    refusal = got.ok ? '' : got.problem.detail;
    if (got.ok) plan.trial = got.data;
  }

  async function keep() {
    const { one, to } = moved!;
    asked++;
    const refused = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/funding/movables/move', {
          params: { path: { plan: plan.id }, query: { version, id: one.id, to } },
        }),
      ),
    );
    if (refused) refusal = refused.detail;
    else leave();
  }

  function onkeydown(e: KeyboardEvent) {
    if (!moved) return;
    if (e.key === 'Enter') void keep();
    else if (e.key === 'Escape') leave();
    else return;
    e.preventDefault();
    e.stopPropagation();
  }
</script>

{#if loaded.data?.length}
  <section class="mb-3" aria-label="Moving along the time line" bind:clientWidth={width}>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div class="relative h-[30px] border-b border-rule-2" {onkeydown}>
      {#each loaded.data as one (one.id)}
        {@const day = daysBetween(tide.firstDay, moved?.one.id === one.id ? moved.to : one.day)}
        <TideHandle
          width={18}
          look="top-[4px] flex h-[24px] items-end justify-center"
          x={scale.x(day)}
          {day}
          first={asOf + 1}
          last={tide.closing.length - 1}
          label="{one.name}, {plan.money.sum(one.minor)}"
          words={fullDay(addDays(tide.firstDay, day))}
          dayAt={(x) => scale.day(x)}
          onmove={(to) => void move(one, to)}
        >
          <svg width="14" height="22" aria-hidden="true"
            ><path
              d={one.minor < 0 ? 'M1 1H13V12L7 21L1 12Z' : 'M7 1L13 10V21H1V10Z'}
              fill={one.minor < 0 ? '#b5533c' : '#1d6173'}
              stroke="#fff"
            /></svg
          >
        </TideHandle>
      {/each}
    </div>
    {#if moved}
      <p class="mt-1 flex items-center gap-3" role="status">
        <span class="flex-1"
          >{moved.one.name} on {fullDay(moved.to)} in place of {shortDay(moved.one.day)}{#if plan.trial}: low water {plan.money.sum(
              plan.trial.marks.lowWaterCash,
            )} on {fullDay(plan.trial.marks.lowWaterDay)}, now {plan.money.sum(tide.marks.lowWaterCash)}; peak need {plan.money.sum(
              plan.trial.marks.peakNeed,
            )}, now {plan.money.sum(tide.marks.peakNeed)}{/if}.</span
        >
        <Act main onclick={() => void keep()}>Keep it</Act>
        <Act onclick={leave}>Leave it</Act>
      </p>
    {:else}
      <p class="hush mt-1">
        Draw a mark along the time line, or move it with the arrow keys, to see what it does; nothing is changed until
        it is kept.
      </p>
    {/if}
    <Refusal words={refusal} />
  </section>
{/if}
