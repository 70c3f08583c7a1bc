<script lang="ts">
  import { link } from 'svelte-spa-router';
  import { fullDay } from '../dates';
  import { address } from '../place.svelte';
  import { getPlan } from '../plan.svelte';
  import { initials } from '../names';
  import Mark from './Mark.svelte';
  import Others from './Others.svelte';
  import Pennant from './Pennant.svelte';
  import { who } from '../who.svelte';
  import { isYearsOnly } from '../../views/years/years';
  import { PLACES, PLACES_OF_YEARS } from './views';

  interface Props {
    view: string;
    onjump: () => void;
    onkeys: () => void;
  }

  let { view, onjump, onkeys }: Props = $props();
  const plan = getPlan();

  const places = $derived(isYearsOnly(plan.settings, plan.view?.lines.length ?? 1) ? PLACES_OF_YEARS : PLACES);
  /** Others who are here take room. */
  const tight = $derived(plan.live.others.length > 0);

  const tool =
    'h-[26px] rounded-[3px] border border-[#3c6470] px-2 text-[#e9f3f2] enabled:hover:bg-deep disabled:opacity-40';
</script>

<header class="flex h-[46px] items-center {tight ? 'gap-2' : 'gap-3'} bg-abyss px-[18px] text-[#dcebea]">
  <a href="/plans" use:link title="All plans"><Mark /></a>
  <nav class="flex h-full gap-[2px]" aria-label="Views">
    {#each places as place (place.view)}
      <a
        href={address(plan.id, place.view)}
        use:link
        aria-current={view === place.view ? 'page' : undefined}
        class="flex items-center whitespace-nowrap border-b-[3px] border-t-[3px] border-t-transparent hover:text-white
          {tight ? 'px-[7px]' : 'px-[9px]'} {view === place.view
          ? 'border-b-shoal font-semibold text-white'
          : 'border-b-transparent text-[#b7d0d3]'}"
      >
        {place.name}
        {#if place.view === 'position' && plan.view?.unassigned}
          <span
            class="ml-1.5 rounded-[3px] bg-buoy px-1 text-[11px] font-semibold text-abyss"
            title="movements to assign"
          >
            {plan.view.unassigned}
          </span>
        {/if}
      </a>
    {/each}
  </nav>
  <div class="flex-1"></div>
  <button
    class={tool}
    onclick={() => void plan.undo()}
    disabled={!plan.view?.undo}
    title={plan.view?.undo ? `Undo: ${plan.view.undo} (Ctrl Z)` : 'Nothing to undo'}
  >
    Undo
  </button>
  <button
    class={tool}
    onclick={() => void plan.redo()}
    disabled={!plan.view?.redo}
    title={plan.view?.redo ? `Redo: ${plan.view.redo} (Ctrl Y)` : 'Nothing to redo'}
  >
    Redo
  </button>
  <button class={tool} onclick={onjump} title="Jump to any line, account or view (Ctrl K)">Jump</button>
  <button class={tool} onclick={onkeys} title="The list of keys (?)" aria-label="The list of keys">?</button>
  <Others />
  {#if plan.view}
    <Pennant />
    <a
      href={address(plan.id, 'setup')}
      use:link
      class="flex h-[26px] items-center gap-1.5 whitespace-nowrap rounded-[3px] border border-[#3c6470] px-2 text-[#e9f3f2]"
    >
      as of <b class="font-semibold">{fullDay(plan.view.tide.asOf)}</b>
    </a>
  {/if}
  {#if who.said?.id}
    <a href="/own" use:link class={tool + ' flex items-center'} title="You are signed in as {who.said.name}">
      {initials(who.said.name ?? '')}
    </a>
  {/if}
</header>
