<script lang="ts">
  import { link, replace, router } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import Refusal from '../../lib/Refusal.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import BringPlan from './BringPlan.svelte';

  let plans = $state.raw<Schemas['PlanListed'][]>();
  let refusal = $state('');

  /** At the front door the only plan opens at once; "all plans" lists it. Without any plan a new one is set up. */
  async function load() {
    const got = await answer(api.GET('/api/plans'));
    if (!got.ok) refusal = got.problem.detail;
    else {
      plans = got.data;
      if (plans.length === 0) void replace('/new');
      else if (router.location === '/' && plans.length === 1) void replace(`/plan/${plans[0]!.id}/forecast`);
    }
  }

  void load();
</script>

<svelte:head><title>Plans · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]"><Mark /></header>
<main class="mx-auto max-w-[640px] px-4 pt-8">
  <div class="mb-3 flex flex-wrap items-center gap-3">
    <h1 class="flex-1">Plans</h1>
    <BringPlan />
    <Act main href="#/new">New plan</Act>
  </div>
  <ul class="card divide-y divide-rule">
    {#each plans ?? [] as plan (plan.id)}
      <li>
        <a class="block py-2 font-semibold hover:underline" href="/plan/{plan.id}/forecast" use:link>{plan.name}</a>
      </li>
    {/each}
  </ul>
  <Refusal words={refusal} class="mt-3" />
</main>
