<script lang="ts">
  import { onDestroy } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { fullDay, longDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Segments from '../../lib/Segments.svelte';
  import { changedItem, putItems } from './items';

  interface Props {
    direction: 'receipt' | 'payment';
    side: 'RECEIPT' | 'PAYMENT';
  }

  let { direction, side }: Props = $props();
  const plan = getPlan();
  let days = $state<'7' | '14' | '30'>('14');
  let tried = $state('');
  let refusal = $state('');

  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/items/chances', {
        params: { path: { plan: plan.id }, query: { direction: side, days: Number(days) } },
        signal,
      }),
    );
  });

  function stop() {
    tried = '';
    plan.trial = undefined;
  }

  onDestroy(stop);

  async function tryOut(one: Schemas['ChanceView']) {
    if (tried === one.item.id) return stop();
    const got = await answer(
      api.GET('/api/plans/{plan}/items/{id}/trial', {
        params: { path: { plan: plan.id, id: one.item.id }, query: { expected: one.to } },
      }),
    );
    refusal = got.ok ? '' : got.problem.detail;
    if (got.ok) {
      plan.trial = got.data;
      tried = one.item.id;
    }
  }

  async function keep(one: Schemas['ChanceView']) {
    const item = one.item.item;
    const words = `${item.number} of ${item.counterparty} expected ${one.to}`;
    refusal = await putItems(plan, [changedItem(item, { expected: one.to })], words);
    if (!refusal) tried = '';
  }
</script>

<div class="mb-2 flex items-center gap-3">
  <span class="flex-1">
    Low water is {plan.money.sum(plan.view!.tide.marks.lowWaterCash)} on {fullDay(plan.view!.tide.marks.lowWaterDay)}.
    {direction === 'receipt'
      ? 'What collecting one of these sooner does to it:'
      : 'What paying one of these later does to it:'}
  </span>
  <Segments
    label="Days to move by"
    options={[
      { value: '7', name: '7 days' },
      { value: '14', name: '14 days' },
      { value: '30', name: '30 days' },
    ]}
    value={days}
    onchoose={(chosen) => {
      days = chosen;
      stop();
    }}
  />
</div>
{#if loaded.data?.length}
  <table class="figures" aria-label={direction === 'receipt' ? 'Worth chasing' : 'Worth holding'}>
    <thead>
      <tr>
        <th class="words" scope="col">Number</th><th class="words" scope="col">Counterparty</th><th scope="col">Pays</th
        >
        <th class="words" scope="col">Expected</th><th class="words" scope="col"
          >{direction === 'receipt' ? 'Sooner' : 'Later'}</th
        ><th scope="col">Lifts low water by</th><th scope="col">to</th><th class="words" scope="col">What it takes</th>
        <th class="words" scope="col">Try it, keep it</th>
      </tr>
    </thead>
    <tbody>
      {#each loaded.data as one (one.item.id)}
        {@const item = one.item.item}
        <tr class={tried === one.item.id ? 'selected' : ''}>
          <th class="words font-normal" scope="row">{item.number}</th>
          <td class="words max-w-[160px] overflow-hidden text-ellipsis">{item.counterparty}</td>
          <td>{plan.money.full(one.item.pays)}</td>
          <td class="words" title={one.item.because}>{one.item.expected ? longDay(one.item.expected) : ''}</td>
          <td class="words">{longDay(one.to)}</td>
          <td>{plan.money.full(one.lift)}</td>
          <td title={fullDay(one.lowWaterDay)}>{plan.money.full(one.lowWaterCash)}</td>
          <td class="words {item.standing === 'cannot-wait' ? 'bad' : 'hush'}">{one.cost}</td>
          <td class="words">
            <button class="underline" aria-pressed={tried === one.item.id} onclick={() => void tryOut(one)}
              >{tried === one.item.id ? 'Leave' : 'Try'}</button
            >
            <Act onclick={() => void keep(one)}>Keep</Act>
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if tried}<p class="hush mt-1" role="status">
      The thin line above shows the tide with it. Nothing is changed until it is kept.
    </p>{/if}
{:else if loaded.data}
  <p class="card">
    {direction === 'receipt'
      ? 'No invoice that is expected after low water would lift it when collected so many days sooner.'
      : 'No bill that is expected before low water would lift it when paid so many days later.'}
  </p>
{/if}
{#if refusal || loaded.problem}<p class="bad mt-1" role="alert">{refusal || loaded.problem?.detail}</p>{/if}
