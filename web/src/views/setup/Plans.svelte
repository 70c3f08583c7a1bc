<script lang="ts">
  import { link, replace, router } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import Refusal from '../../lib/Refusal.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import { who } from '../../lib/who.svelte';
  import Hands from '../people/Hands.svelte';
  import BringPlan from './BringPlan.svelte';
  import DeletePlan from './DeletePlan.svelte';

  let plans = $state.raw<Schemas['PlanListed'][]>();
  let refusal = $state('');
  let backup = $state('');
  const open = $derived((plans ?? []).filter((plan) => !plan.archived));
  const archived = $derived((plans ?? []).filter((plan) => plan.archived));

  /** At the front door the only plan opens at once; "all plans" lists it. Without any plan a new one is set up, unless the last has just been deleted. */
  async function load() {
    const got = await answer(api.GET('/api/plans'));
    if (!got.ok) refusal = got.problem.detail;
    else {
      plans = got.data;
      if (plans.length === 0 && !backup && !who.said?.plan) void replace('/new');
      else if (router.location === '/' && open.length === 1) void replace(`/plan/${open[0]!.id}/forecast`);
    }
  }

  async function archive(id: string, archived: boolean) {
    const params = { path: { plan: id }, query: { archived } };
    const got = await answer(api.PUT('/api/plans/{plan}/archived', { params }));
    refusal = got.ok ? '' : got.problem.detail;
    await load();
  }

  void load();
</script>

<svelte:head><title>Plans · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center justify-between bg-abyss px-[18px]"><Mark /><Hands /></header>
<main class="mx-auto max-w-[640px] px-4 pt-8">
  <div class="mb-3 flex flex-wrap items-center gap-3">
    <h1 class="flex-1">Plans</h1>
    <BringPlan />
    <Act href="#/new-years">Years only</Act>
    <Act main href="#/new">New plan</Act>
  </div>
  {@render list(open)}
  {#if archived.length}
    <h2 class="mb-1 mt-5 font-semibold">Archived: read, and not changed</h2>
    {@render list(archived)}
  {/if}
  {#if backup}<p role="status" class="mt-3">The plan is deleted. All data as they were before are in {backup}</p>{/if}
  <Refusal words={refusal} class="mt-3" />
</main>

{#snippet list(some: Schemas['PlanListed'][])}
  <ul class="card divide-y divide-rule">
    {#each some as plan (plan.id)}
      <li class="flex items-center gap-4">
        <a class="flex-1 py-2 font-semibold hover:underline" href="/plan/{plan.id}/forecast" use:link>{plan.name}</a>
        <button
          class="underline"
          aria-label="{plan.archived ? 'Take out of the archive' : 'Archive'} {plan.name}"
          onclick={() => void archive(plan.id, !plan.archived)}>{plan.archived ? 'Take out' : 'Archive'}</button
        >
        <DeletePlan
          {plan}
          ongone={(where) => {
            backup = where;
            void load();
          }}
        />
      </li>
    {/each}
  </ul>
{/snippet}
