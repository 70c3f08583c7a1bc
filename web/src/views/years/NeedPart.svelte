<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import NeedChart from './NeedChart.svelte';
  import type { YearsView } from './years';

  let { view }: { view: YearsView } = $props();
  const plan = getPlan();
  const years = $derived(view.years.slice(1));
  let chosen = $state(0);
  const year = $derived(years[Math.min(chosen, years.length - 1)]!);
</script>

{#snippet parts(label: string, all: (typeof year)['uses'])}
  <table class="figures mt-1" aria-label={label}>
    <tbody>
      <tr class="font-[650]"><th class="words" scope="rowgroup" colspan="2">{label}</th></tr>
      {#each all as part (part.what)}
        <tr><th class="words !pl-4" scope="row">{part.what}</th><td>{plan.money.full(part.minor)}</td></tr>
      {:else}<tr><td class="words hush !pl-4" colspan="2">none</td></tr>{/each}
    </tbody>
  </table>
{/snippet}

<p class="mb-2" role="status"><b class="font-semibold">{year.sentence}.</b></p>
<div class="grid grid-cols-[1fr_380px] items-start gap-4">
  <div class="min-w-0">
    <NeedChart {years} {chosen} onchoose={(at) => (chosen = at)} />
    <div class="overflow-x-auto">
      <table class="figures mt-3" aria-label="Growth that needs nothing from outside">
        <thead
          ><tr
            ><th class="words" scope="col">Year</th>{#each years as one (one.name)}<th scope="col">{one.label}</th
              >{/each}</tr
          ></thead
        >
        <tbody>
          <tr
            ><th class="words" scope="row">Needed from outside</th>{#each years as one (one.name)}<td
                >{plan.money.cell(one.needed)}</td
              >{/each}</tr
          >
          <tr
            ><th class="words" scope="row">Debt at the end</th>{#each years as one (one.name)}<td
                >{plan.money.cell(one.debt)}</td
              >{/each}</tr
          >
          <tr
            ><th class="words" scope="row"
              >Growth that needs nothing, up to<small class="hush block">within 100 points of its own</small></th
            >{#each years as one (one.name)}<td>{one.freeGrowth}</td>{/each}</tr
          >
        </tbody>
      </table>
    </div>
  </div>
  <section class="card" aria-label="Uses and sources">
    <ChoiceField
      label="Uses and sources of"
      name="Year of the need"
      bind:value={chosen}
      options={years.map((one, i) => ({ value: i, name: one.label }))}
    />
    {@render parts('Uses', year.uses)}
    {@render parts('Less sources', year.sources)}
    <table class="figures mt-1">
      <tbody>
        <tr class="bg-foam font-[650]"
          ><th class="words" scope="row">{year.needed < 0 ? 'Repaid' : 'Needed from outside'}</th><td
            >{plan.money.full(year.needed)}</td
          ></tr
        >
      </tbody>
    </table>
  </section>
</div>
