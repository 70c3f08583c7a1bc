<script lang="ts">
  import { link, push } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { noDay, readDay } from '../../lib/dates';
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Mark from '../../lib/shell/Mark.svelte';
  import { BEGUN, lastYearEnd, USUAL } from '../years/years';
  import { CURRENCIES } from './wizard';

  const today = new Date().toLocaleDateString('sv-SE');
  let name = $state('');
  let currency = $state('GBP');
  let end = $state(lastYearEnd(today));
  let refusal = $state('');

  async function submit(e: Event) {
    e.preventDefault();
    const day = readDay(end);
    refusal = !name.trim() ? 'Give the plan a name, such as that of the company.' : day ? '' : noDay(end);
    if (refusal || !day) return;
    const years = { count: BEGUN, lastYear: { end: day, days: 365, rows: [...USUAL] }, drivers: [] };
    const got = await answer(
      api.POST('/api/plans', {
        body: { format: 'ebbtide-plan', version: 1, settings: { name: name.trim(), currency, asOf: day, years } },
      }),
    );
    if (got.ok) void push(`/plan/${got.data.id}/statements?sheet=years&years=last`);
    else refusal = got.problem.detail;
  }
</script>

<svelte:head><title>Years only · Ebbtide</title></svelte:head>
<header class="flex h-[46px] items-center bg-abyss px-[18px]">
  <a href="/plans" use:link title="All plans"><Mark /></a>
</header>
<main class="mx-auto max-w-[640px] px-4 pb-10 pt-5">
  <h1 class="mb-1">Years only</h1>
  <p class="hush mb-4">
    From last year's income statement and balance sheet to what the next years need from outside. No months are planned;
    they can be at any time.
  </p>
  <form onsubmit={submit} class="card flex flex-col gap-3" novalidate>
    <EntryField label="Name of the plan" above class="w-full" bind:value={name} />
    <div class="flex gap-4">
      <ChoiceField label="Currency" above bind:value={currency} options={CURRENCIES} />
      <EntryField label="The last year ends on" above bind:value={end} />
    </div>
    <Refusal words={refusal} />
    <div><Act type="submit" main>Make the plan</Act></div>
  </form>
</main>
