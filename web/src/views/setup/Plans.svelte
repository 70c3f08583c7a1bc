<script lang="ts">
  import { link, push, replace } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import Mark from '../../lib/shell/Mark.svelte';

  let plans = $state.raw<Schemas['PlanListed'][]>();
  let refusals = $state.raw<string[]>([]);
  let picker = $state<HTMLInputElement>();

  /** The only plan opens at once, and without any a new one is set up; "all plans" is reached by the mark. */
  async function load() {
    const got = await answer(api.GET('/api/plans'));
    if (!got.ok) refusals = [got.problem.detail];
    else {
      plans = got.data;
      const first = sessionStorage.getItem('opened') === null;
      sessionStorage.setItem('opened', 'yes');
      if (plans.length === 0) void replace('/new');
      else if (first && plans.length === 1) void replace(`/plan/${plans[0]!.id}/forecast`);
    }
  }

  async function bring(file: File | undefined) {
    if (!file) return;
    const got = await answer(
      api.POST('/api/plans', {
        body: (await file.text()) as never,
        bodySerializer: (text: unknown) => text as string,
        headers: { 'Content-Type': 'application/json' },
      }),
    );
    if (got.ok) void push(`/plan/${got.data.id}/forecast`);
    else
      refusals = got.problem.problems.length
        ? got.problem.problems.map((p) => `${p.place}: ${p.sentence}`)
        : [got.problem.detail];
  }

  void load();
</script>

<svelte:head><title>Plans · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]"><Mark /></header>
<main class="mx-auto max-w-[640px] px-4 pt-8">
  <div class="mb-3 flex items-center gap-3">
    <h1 class="flex-1">Plans</h1>
    <Act onclick={() => picker?.click()}>Bring in a plan file</Act>
    <Act main href="#/new">New plan</Act>
    <input
      class="sr-only"
      type="file"
      accept=".json,application/json"
      aria-label="Plan file"
      tabindex="-1"
      bind:this={picker}
      onchange={(e) => {
        void bring(e.currentTarget.files?.[0]);
        e.currentTarget.value = '';
      }}
    />
  </div>
  <ul class="card divide-y divide-rule">
    {#each plans ?? [] as plan (plan.id)}
      <li>
        <a class="block py-2 font-semibold hover:underline" href="/plan/{plan.id}/forecast" use:link>{plan.name}</a>
      </li>
    {/each}
  </ul>
  {#if refusals.length}
    <div role="alert" class="bad mt-3">
      {#each refusals as refusal, i (i)}<p>{refusal}</p>{/each}
    </div>
  {/if}
</main>
