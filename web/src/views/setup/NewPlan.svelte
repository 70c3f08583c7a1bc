<script lang="ts">
  import { link, push } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import Refusal from '../../lib/Refusal.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import BringPlan from './BringPlan.svelte';
  import BasicsPart from './BasicsPart.svelte';
  import CostsPart from './CostsPart.svelte';
  import SalesPart from './SalesPart.svelte';
  import { blank, planFile, refusalsOf, type Refusals, type Wizard } from './wizard';

  const today = new Date().toLocaleDateString('sv-SE');
  /** What was typed before the page was left or loaded again. */
  const kept = sessionStorage.getItem('new plan');
  let wizard = $state<Wizard>(kept ? (JSON.parse(kept) as Wizard) : blank(today));
  let refusals = $state.raw<Refusals>({});
  let refusal = $state('');

  $effect(() => sessionStorage.setItem('new plan', JSON.stringify(wizard)));

  async function submit(e: Event) {
    e.preventDefault();
    refusals = refusalsOf(wizard);
    refusal = '';
    if (Object.keys(refusals).length) {
      refusal = 'Some fields need mending: each says how.';
      return;
    }
    const got = await answer(api.POST('/api/plans', { body: planFile(wizard) }));
    if (got.ok) {
      await push(`/plan/${got.data.id}/setup?new=yes`);
      sessionStorage.removeItem('new plan');
    } else refusal = got.problem.detail;
  }
</script>

<svelte:head><title>New plan · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]">
  <a href="/plans" use:link title="All plans"><Mark /></a>
</header>
<main class="mx-auto max-w-[1000px] px-4 pb-10 pt-5">
  <div class="mb-1 flex flex-wrap items-center gap-3">
    <h1 class="flex-1">A new plan</h1>
    <Act href="#/new-years">Years only</Act>
    <BringPlan />
  </div>
  <p class="hush mb-4">
    Three minutes for a first forecast. Everything can be changed afterwards; what you don't know yet can stay empty.
    Amounts are positive: 1,250.50, 12k and 1.2m are all understood.
  </p>
  <form onsubmit={submit} class="flex flex-col gap-3" novalidate>
    <BasicsPart bind:wizard {refusals} />
    <SalesPart bind:wizard {refusals} />
    <CostsPart bind:wizard {refusals} />
    <Refusal words={refusal} />
    <div><Act type="submit" main>Make the plan</Act></div>
  </form>
</main>
