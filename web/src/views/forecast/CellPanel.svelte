<script lang="ts">
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import SidePanel from '../../lib/SidePanel.svelte';
  import BuoyForm from './BuoyForm.svelte';
  import BuoyThread from './BuoyThread.svelte';
  import OverrideForm from './OverrideForm.svelte';
  import WorkingsList from './WorkingsList.svelte';
  import { periodWords, type Spot } from './rows';
  import { liftOverrides } from './overrides';

  interface Props {
    spot: Spot;
    onclose: () => void;
  }

  let { spot, onclose }: Props = $props();
  const plan = getPlan();
  let act = $state(untrack(() => spot.act));
  let said = $state('');
  const isLine = $derived(spot.kind === 'line');
  const ahead = $derived(spot.to > plan.view!.tide.asOf);
  const buoy = $derived(plan.view?.buoys.find((b) => b.row === spot.row && b.from <= spot.to && b.to >= spot.from));

  if (untrack(() => spot.act) === 'lift') void lift();

  async function lift() {
    act = 'workings';
    said = await liftOverrides(plan, spot);
  }
</script>

<SidePanel title={spot.name} sub={periodWords(spot.from, spot.to)} {onclose}>
  {#if act === 'override'}
    {#if !isLine}
      <p>'{spot.name}' is computed and cannot be typed over: override one of its lines instead.</p>
    {:else if !ahead}
      <p>
        {periodWords(spot.from, spot.to)} is settled: it shows what the bank booked. Correct the assignment of its movements
        under Position.
      </p>
    {:else}
      <OverrideForm {spot} onclose={() => (act = 'workings')} />
    {/if}
  {:else if act === 'buoy'}
    {#if !buoy || buoy.own}<BuoyForm {spot} {buoy} onclose={() => (act = 'workings')} />{/if}
    {#if buoy}<div class="mt-3"><BuoyThread {buoy} /></div>{/if}
  {:else}
    <WorkingsList {spot} />
    {#if said}<p class="hush mt-2" role="status">{said}</p>{/if}
    {#if buoy}<div class="mt-3"><BuoyThread {buoy} /></div>{/if}
    <div class="mt-3 flex gap-2">
      {#if isLine && ahead}<Act onclick={() => (act = 'override')}>Override</Act>{/if}
      <Act onclick={() => (act = 'buoy')}>{buoy ? 'Change buoy' : 'Leave a buoy'}</Act>
      {#if isLine}
        <Act
          href="#/plan/{plan.id}/{plan.view?.lines.find((l) => l.id === spot.row)?.direction === 'receipt'
            ? 'receipts'
            : 'payments'}/{spot.row}"
        >
          Go to line
        </Act>
      {/if}
    </div>
  {/if}
</SidePanel>
