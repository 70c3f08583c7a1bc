<script lang="ts">
  import { shortDay } from '../dates';
  import { getPlan } from '../plan.svelte';
  import { who } from '../who.svelte';

  const plan = getPlan();
  const outcome = $derived(plan.outcome);
  const changed = $derived(
    outcome
      ? [
          {
            name: 'low water',
            was: `${plan.money.sum(outcome.was.lowWaterCash)} on ${shortDay(outcome.was.lowWaterDay)}`,
            became: `${plan.money.sum(outcome.became.lowWaterCash)} on ${shortDay(outcome.became.lowWaterDay)}`,
            better: outcome.became.lowWaterHeadroom - outcome.was.lowWaterHeadroom,
          },
          {
            name: 'peak need',
            was: plan.money.sum(outcome.was.peakNeed),
            became: plan.money.sum(outcome.became.peakNeed),
            better: outcome.was.peakNeed - outcome.became.peakNeed,
          },
          {
            name: 'closing cash',
            was: plan.money.sum(outcome.was.closing),
            became: plan.money.sum(outcome.became.closing),
            better: outcome.became.closing - outcome.was.closing,
          },
        ].filter((mark) => mark.was !== mark.became)
      : [],
  );
</script>

{#if plan.part?.role === 'VIEWER' || plan.part?.role === 'ONLOOKER'}
  <div class="border-b border-rule bg-foam px-[18px] py-1 text-[12.5px]">
    {#if plan.part.role === 'VIEWER'}
      You are a viewer of this plan: everything can be looked at and taken out, and nothing changed.
    {:else}
      {who.said?.plan ? 'A link shows you this plan' : 'You look on at this plan'}: pay is shown in sums alone, and
      nothing can be changed.
    {/if}
  </div>
{/if}
{#if plan.problem}
  <div role="alert" class="flex items-center gap-3 border-b border-rule bg-[#fbe9e4] px-[18px] py-1.5 text-alarm">
    <span class="flex-1">{plan.problem.detail}</span>
    <button class="underline" onclick={() => (plan.problem = undefined)}>Close</button>
  </div>
{/if}
{#if outcome}
  <div role="status" class="flex items-start gap-4 border-b border-rule bg-foam px-[18px] py-1 text-[12.5px]">
    <div class="flex flex-1 flex-wrap gap-x-4">
      <b class="font-semibold">{outcome.words}</b>
      {#each changed as mark (mark.name)}
        <span>
          {mark.name} was {mark.was},
          <b class="font-semibold {mark.better < 0 ? 'bad' : 'good'}">became {mark.became}</b>
        </span>
      {:else}
        <span class="hush">low water, peak need and closing cash stay as they were</span>
      {/each}
      {#if outcome.meanwhile.length}
        <span class="basis-full">Changed meanwhile: {outcome.meanwhile.join('; ')}</span>
      {/if}
    </div>
    {#if plan.view?.undo}
      <button class="underline" onclick={() => void plan.undo()}>Undo</button>
    {/if}
    <button class="underline" onclick={() => (plan.outcome = undefined)}>Close</button>
  </div>
{/if}
{#if plan.heard?.words}
  <div role="status" class="flex gap-4 border-b border-rule bg-foam px-[18px] py-1 text-[12.5px]">
    <span class="min-w-0 flex-1 truncate" title={plan.heard.words}>
      {#if plan.heard.author}<b class="font-semibold">{plan.heard.author}</b>{/if}
      {plan.heard.words}
    </span>
    <button class="underline" onclick={() => (plan.heard = undefined)}>Close</button>
  </div>
{/if}
