<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import SidePanel from '../../lib/SidePanel.svelte';
  import { periodWords } from './rows';

  interface Props {
    onclose: () => void;
  }

  let { onclose }: Props = $props();
  const plan = getPlan();

  function name(row: string): string {
    return plan.view?.lines.find((line) => line.id === row)?.name ?? row;
  }

  function lift(id: string) {
    void plan.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/buoys/{id}', { params: { path: { plan: plan.id, id }, query: { version } } }),
      ),
    );
  }
</script>

<SidePanel title="Buoys" sub="to come back to" takes {onclose}>
  <ul class="divide-y divide-rule">
    {#each plan.view?.buoys ?? [] as buoy (buoy.id)}
      <li class="flex items-baseline gap-2 py-1.5">
        <span class="buoy shrink-0" aria-hidden="true"></span>
        <span class="flex-1">
          {buoy.note}<br /><span class="hush"
            >{name(buoy.row)}, {periodWords(buoy.from, buoy.to)}{buoy.author ? ` · ${buoy.author}` : ''}</span
          >
          {#if buoy.answers.length}
            {@const last = buoy.answers.at(-1)!}
            <br /><span class="hush"
              >{buoy.answers.length > 1 ? `${buoy.answers.length} answers, the last ` : ''}{last.author}:</span
            >
            {last.words}
          {/if}
        </span>
        <button class="underline" onclick={() => lift(buoy.id)}>Lift</button>
      </li>
    {:else}
      <li class="hush py-1.5">No buoy is out. Press B on any figure to leave one.</li>
    {/each}
  </ul>
</SidePanel>
