<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type MovementView, type Schemas } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { settle } from './assigning';

  interface Props {
    movement: MovementView;
    onclose: () => void;
  }

  let { movement, onclose }: Props = $props();
  const plan = getPlan();
  let refusal = $state('');
  const loaded = new Loaded((signal) =>
    answer(
      api.GET('/api/plans/{plan}/movements/{id}/settlements', {
        params: { path: { plan: plan.id, id: movement.id } },
        signal,
      }),
    ),
  );

  async function take(proposal: Schemas['ProposalView']) {
    refusal = (await settle(plan, movement.id, proposal))?.detail ?? '';
    if (!refusal) onclose();
  }
</script>

{#if loaded.data}
  {#each loaded.data as proposal, i (i)}
    <section class="mb-3 border-b border-rule pb-2" aria-label="Proposal {i + 1}">
      <p class="hush">{proposal.because}</p>
      <table class="figures" aria-label="Items of proposal {i + 1}">
        <thead
          ><tr
            ><th class="words" scope="col">Item</th><th scope="col">Open</th><th scope="col">Settled</th><th scope="col"
              >Less</th
            ></tr
          ></thead
        >
        <tbody>
          {#each proposal.parts as part (part.item)}
            <tr>
              <th class="words font-normal" scope="row">{part.number} <span class="hush">{part.counterparty}</span></th>
              <td>{plan.money.full(part.open)}</td>
              <td>{plan.money.full(part.minor)}</td>
              <td>{part.less ? plan.money.full(part.less) : '·'}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      <div class="mt-1 flex items-center gap-2">
        <Act main={i === 0} onclick={() => void take(proposal)}>Settle</Act>
        {#if proposal.left}<span class="hush">{plan.money.sum(proposal.left)} stays to be assigned</span>{/if}
      </div>
    </section>
  {:else}
    <p>
      No open item fits. Bring in the list from the ledger under {movement.minor > 0 ? 'Receipts' : 'Payments'}, or
      assign the movement to a line.
    </p>
  {/each}
  <Refusal words={refusal} />
{:else if loaded.problem}
  <p class="bad" role="alert">{loaded.problem.detail}</p>
{/if}
