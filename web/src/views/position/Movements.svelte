<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { fullDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import { settleNamed } from './assigning';
  import MovementTable from './MovementTable.svelte';

  const plan = getPlan();
  let only = $state<'open' | 'all'>('open');
  let account = $state('');
  let words = $state('');
  let sought = $state('');
  let offset = $state(0);
  /** Whether words are sought in all days, however long that takes. */
  let patient = $state(false);
  const PAGE = 100;
  let wait: ReturnType<typeof setTimeout>;

  const movements = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/movements', {
        params: {
          path: { plan: plan.id },
          query: {
            unassigned: only === 'open',
            words: sought,
            limit: PAGE,
            offset,
            patient,
            ...(account ? { account } : {}),
          },
        },
        signal,
      }),
    );
  });

  const plain = $derived((movements.data?.movements ?? []).filter((one) => one.plain));

  function seek() {
    clearTimeout(wait);
    wait = setTimeout(() => {
      sought = words;
      offset = 0;
      patient = false;
    }, 180);
  }
</script>

<div class="mb-2 flex items-center gap-3">
  <Segments
    label="Which movements"
    options={[
      { value: 'open', name: 'To assign' },
      { value: 'all', name: 'All' },
    ]}
    value={only}
    onchoose={(chosen) => {
      only = chosen;
      offset = 0;
    }}
  />
  <ChoiceField
    name="Account"
    value={account}
    onchoose={(chosen) => {
      account = chosen;
      offset = 0;
    }}
    options={[
      { value: '', name: 'all accounts' },
      ...plan.view!.accounts.map((one) => ({ value: one.id, name: one.name })),
    ]}
  />
  <EntryField
    class="w-[240px]"
    placeholder="words of the text or counterparty"
    name="Search movements"
    bind:value={words}
    oninput={seek}
  />
  <span class="flex-1"></span>
  {#if plain.length}
    <Act
      main
      title="Movements that name their items by number and come to just their amount: nothing is to be weighed"
      onclick={() => void settleNamed(plan, plain)}
      >{plain.length === 1 ? 'Settle the one that is named' : `Settle the ${plain.length} that are named`}</Act
    >
  {/if}
  {#if offset}<button class="underline" onclick={() => (offset = Math.max(0, offset - PAGE))}>newer</button>{/if}
  {#if movements.data?.more}<button class="underline" onclick={() => (offset += PAGE)}>older</button>{/if}
</div>
{#if movements.problem}
  <Refusal words={movements.problem.detail} />
{:else if movements.data}
  {#if movements.data.searchedBackTo}
    <p class="mb-2 flex items-center gap-3" role="status">
      <span class="hush">Sought back to {fullDay(movements.data.searchedBackTo)} so far, the newest first.</span>
      <button class="underline" onclick={() => (patient = true)}
        >{patient ? 'Searching all days…' : 'Search all days'}</button
      >
    </p>
  {/if}
  {#if movements.data.movements.length}
    <MovementTable movements={movements.data.movements} />
  {:else}
    <p class="card">
      {only === 'open' && !sought && !account
        ? 'Every movement is assigned. Bring in the next statements, or look at all movements.'
        : movements.data.searchedBackTo
          ? 'None fits among the days sought so far. Search all days, or change the words.'
          : 'No movement fits. Change the words or the account.'}
    </p>
  {/if}
{/if}
