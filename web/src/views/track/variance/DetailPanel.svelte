<script lang="ts">
  import { answer, api } from '../../../lib/api';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import SidePanel from '../../../lib/SidePanel.svelte';
  import { REASONS, type Length, type Row, type Why } from '../track';

  interface Props {
    row: Row;
    snapshot: string;
    by: Length;
    from: string;
    onclose: () => void;
  }

  let { row, snapshot, by, from, onclose }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    if (row.kind !== 'line' && row.kind !== 'gone_line') return null;
    return answer(
      api.GET('/api/plans/{plan}/snapshots/{id}/variance/{line}', {
        params: { path: { plan: plan.id, id: snapshot, line: row.id }, query: { by, from } },
        signal,
      }),
    );
  });

  function whyWords(why: Why): string {
    const words = REASONS.filter(({ key }) => why[key] !== 0).map(
      ({ key, name }) => `${name} ${plan.money.full(why[key])}`,
    );
    return words.join(', ') || 'as forecast';
  }
  const reasons = $derived(REASONS.filter(({ key }) => row.why[key] !== 0));
</script>

<SidePanel title={row.name} sub={plan.money.sum(row.variance)} {onclose}>
  <table class="figures mb-2" aria-label="Reasons">
    <tbody>
      <tr><td class="words">forecast</td><td class="estimated">{plan.money.full(row.forecast)}</td></tr>
      {#each reasons as reason (reason.key)}
        <tr>
          <td class="words">{reason.name}</td>
          <td class={row.why[reason.key] < 0 ? 'bad' : ''}>{plan.money.full(row.why[reason.key])}</td>
        </tr>
      {/each}
      <tr class="font-[650]"><td class="words">actual</td><td>{plan.money.full(row.actual)}</td></tr>
    </tbody>
  </table>
  {#if row.note}<p class="mb-2">{row.note}</p>{/if}
  <Refusal words={loaded.problem?.detail} />
  {#if loaded.data?.length}
    <table class="figures" aria-label="Counterparties and items of {row.name}">
      <thead>
        <tr><th class="words" scope="col">Counterparty</th><th scope="col">Forecast</th><th scope="col">Actual</th></tr>
      </thead>
      <tbody>
        {#each loaded.data as party (party.counterparty)}
          {@render part(party.counterparty || 'expected without an item', party, 'font-[650]')}
          {#each party.items as item, i (i)}
            {#if item.number}{@render part(item.number, item, '')}{/if}
          {/each}
        {/each}
      </tbody>
    </table>
  {/if}
</SidePanel>

{#snippet part(name: string, one: { forecast: number; actual: number; why: Why }, look: string)}
  <tr class={look}>
    <th scope="row" class="words !whitespace-normal !py-1 leading-tight {look ? '' : '!pl-5'}">
      {name}
      <small class="hush block font-normal">{whyWords(one.why)}</small>
    </th>
    <td class="estimated">{plan.money.full(one.forecast)}</td>
    <td>{plan.money.full(one.actual)}</td>
  </tr>
{/snippet}
