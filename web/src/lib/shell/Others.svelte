<script lang="ts">
  import type { Other } from '../live.svelte';
  import { shortDay } from '../dates';
  import { initials } from '../names';
  import { getPlan } from '../plan.svelte';
  import { PLACES } from './views';

  const plan = getPlan();
  /** So many are shown by their letters, the others counted. */
  const SHOWN = 2;

  function where({ place }: Other): string {
    const line = plan.view?.lines.find((one) => one.id === (place.row ?? place.part))?.name ?? place.row;
    const view = PLACES.find((one) => one.view === place.view)?.name;
    const days = place.from && place.to ? `${shortDay(place.from)} – ${shortDay(place.to)}` : undefined;
    return [view, line, days].filter(Boolean).join(', ');
  }

  const said = $derived(plan.live.others.map((one) => [one.name, where(one)].filter(Boolean).join(': ')));
</script>

{#if plan.live.others.length}
  <ul class="flex gap-1" aria-label="Who else is here">
    {#each plan.live.others.slice(0, SHOWN) as one, i (i)}
      <li
        class="flex h-[26px] min-w-[26px] items-center justify-center rounded-full bg-shoal px-1 text-[11.5px] font-semibold text-abyss"
        title={said[i]}
      >
        {initials(one.name)}<span class="sr-only">{said[i]}</span>
      </li>
    {/each}
    {#if plan.live.others.length > SHOWN}
      <li class="flex h-[26px] items-center text-[12px]" title={said.slice(SHOWN).join('\n')}>
        +{plan.live.others.length - SHOWN}
      </li>
    {/if}
  </ul>
{/if}
