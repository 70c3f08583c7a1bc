<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import type { Spot } from './rows';

  interface Props {
    spot: Spot;
  }

  let { spot }: Props = $props();
  const plan = getPlan();
  const workings = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/workings', {
        params: { path: { plan: plan.id }, query: { row: spot.row, from: spot.from, to: spot.to } },
        signal,
      }),
    );
  });
  const data = $derived(workings.data);
  const PARTS = [
    { part: 'settled', name: 'Settled', paint: '#12303b' },
    { part: 'committed', name: 'Committed', paint: '#2a8397' },
    { part: 'estimated', name: 'Estimated', paint: 'repeating-linear-gradient(115deg,#a9d6d6 0 4px,#fff 4px 7px)' },
  ] as const;
  const shown = $derived(PARTS.filter((p) => data?.items.some((item) => item.part === p.part)));
  const levels = $derived(data?.items.filter((item) => item.part === 'level') ?? []);
</script>

{#if workings.problem}
  <Refusal words={workings.problem.detail} />
{:else if data}
  <div class="my-1 flex items-baseline gap-3">
    <span class="text-[22px] font-[650]">{plan.money.sum(data.amount)}</span><span class="hush">Workings</span>
    {#if data.computed !== null}<span class="hush">computed {plan.money.sum(data.computed)}</span>{/if}
  </div>
  {#if shown.length}
    <div class="mb-2 flex h-[9px] overflow-hidden rounded-[2px] border border-rule" aria-hidden="true">
      {#each shown as part (part.part)}
        <i style="flex:{Math.abs(data[part.part])};background:{part.paint}"></i>
      {/each}
    </div>
  {/if}
  <table class="figures">
    <tbody>
      {#each shown as part (part.part)}
        <tr class="font-[650]">
          <th scope="rowgroup" class="words">{part.name}</th><td>{plan.money.full(data[part.part])}</td>
        </tr>
        {#each data.items.filter((item) => item.part === part.part) as item, i (i)}
          <tr class={part.part === 'estimated' ? 'estimated' : ''}>
            <td class="words !whitespace-normal py-1 !pl-4"
              >{item.what}<br /><small class="hush">{item.because}</small></td
            >
            <td class="align-top">{plan.money.full(item.minor)}</td>
          </tr>
        {/each}
      {/each}
      {#each levels as item, i (i)}
        <tr>
          <td class="words !whitespace-normal"
            >{item.what}{#if item.because}<br /><small class="hush">{item.because}</small>{/if}</td
          >
          <td class="align-top">{plan.money.full(item.minor)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if data.items.length === 0}<p class="hush">Nothing falls in these days.</p>{/if}
  {#if data.overBy !== null}
    <p class="mt-2">Over by {plan.money.sum(data.overBy)}: more was booked than expected.</p>
  {/if}
{/if}
