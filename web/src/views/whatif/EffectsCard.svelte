<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import type { KeyFigures, ScenarioView } from './whatif';

  interface Props {
    chosen: ScenarioView;
    base: KeyFigures;
  }

  let { chosen, base }: Props = $props();
  const plan = getPlan();
  const effects = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/scenarios/{id}/effects', {
        params: { path: { plan: plan.id, id: chosen.scenario.id } },
        signal,
      }),
    );
  });
  const ends = $derived([0, base.headroom, ...(effects.data ?? []).map((one) => one.after.headroom)]);
  const least = $derived(Math.min(...ends));
  const span = $derived(Math.max(...ends) - least || 1);
  const at = (minor: number) => (100 * (minor - least)) / span;

  function bar(from: number, to: number): string {
    return `left:${at(Math.min(from, to))}%;width:${Math.max(0.6, Math.abs(at(to) - at(from)))}%`;
  }
</script>

{#snippet row(name: string, from: number, to: number, minor: number, total: boolean, title: string)}
  <tr {title}>
    <th class="max-w-[170px] truncate py-[2px] pr-2 text-right {total ? 'font-semibold' : 'font-normal'}">{name}</th>
    <td class="relative w-full">
      <span
        class="absolute top-[3px] block h-[15px] {total ? 'bg-deep' : minor < 0 ? 'bg-[#b5533c]' : 'bg-[#7fbfc2]'}"
        style={bar(from, to)}
      ></span>
    </td>
    <td class="whitespace-nowrap pl-2 text-right {total && minor < 0 ? 'bad font-semibold' : ''}"
      >{total ? '' : minor > 0 ? '+' : ''}{plan.money.full(minor)}</td
    >
  </tr>
{/snippet}

<section class="card" aria-label="What each change does">
  <h2 class="mb-1 truncate font-semibold">
    {chosen.scenario.name} <span class="hush font-normal">change by change, on least headroom</span>
  </h2>
  {#if effects.problem}
    <Refusal words={effects.problem.detail} />
  {:else if effects.data}
    <table class="w-full">
      <tbody>
        {@render row('base', 0, base.headroom, base.headroom, true, 'The base')}
        {#each effects.data as one, i (i)}
          {@render row(
            `${one.target} ${one.act}`,
            one.after.headroom - one.moves.headroom,
            one.after.headroom,
            one.moves.headroom,
            false,
            `${one.target} ${one.act} ${one.range}`,
          )}
        {/each}
        {@render row('this future', 0, chosen.figures.headroom, chosen.figures.headroom, true, chosen.scenario.name)}
      </tbody>
    </table>
  {/if}
</section>
