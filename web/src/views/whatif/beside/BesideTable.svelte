<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import type { By } from '../../../lib/place.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import { periodWords } from '../../forecast/rows';
  import { letter } from '../whatif';
  import { told, type Beside, type BesideRow, type Table } from './beside';
  import ByChange from './ByChange.svelte';
  import ByPeriod from './ByPeriod.svelte';

  interface Props {
    data: Beside;
    table: Table;
    by: By;
    reference: number;
  }

  let { data, table, by, reference }: Props = $props();
  const plan = getPlan();
  let wanted = $state(-1);
  let differing = $state(false);
  let opened = $state.raw<BesideRow>();
  let spot = $state.raw<{ row: BesideRow; future: number }>();
  /** The first period that is not settled, until another is chosen. */
  const period = $derived(
    wanted >= 0 && wanted < data.periods.length
      ? wanted
      : Math.max(
          0,
          data.periods.findIndex((one) => !one.settled),
        ),
  );
  const rows = $derived(told(data.rows, period, differing));

  function more(minor: number | null): string {
    return minor === null ? '' : minor === 0 ? '·' : (minor > 0 ? '+' : '') + plan.money.cell(minor);
  }

  /** Changes of a scenario explain its difference to the base. */
  function explains(future: number): boolean {
    return data.futures[reference]?.asked === 'base' && !!data.futures[future]?.asked.startsWith('scenario:');
  }
</script>

<div class="mb-2 flex items-center gap-3">
  <ChoiceField
    label="In"
    name="Period"
    value={period}
    onchoose={(chosen) => {
      wanted = chosen;
    }}
    options={data.periods.map((one, i) => ({ value: i, name: periodWords(one.from, one.to) }))}
  />
  <label><input type="checkbox" bind:checked={differing} /> only what differs</label>
  <span class="hush">a row's name opens its periods, a difference what makes it</span>
</div>
<table class="figures" aria-label="Row by row">
  <thead>
    <tr>
      <th class="words">{plan.money.words}</th>
      {#each data.futures as one, i (one.asked)}
        <th class={i === reference ? 'bg-foam' : ''}
          ><span class="letter">{letter(i)}</span>
          {one.name}</th
        >
      {/each}
    </tr>
  </thead>
  <tbody>
    {#each rows as row (row.id)}
      <tr class={row.sum ? 'font-semibold' : ''}>
        <th class="words" style="padding-left:{7 + row.depth * 14}px">
          <button class="hover:underline" onclick={() => (opened = opened?.id === row.id ? undefined : row)}
            >{row.name}</button
          >
        </th>
        {#each data.futures as one, i (one.asked)}
          {@const minor = row.futures[i]!.amounts[period] ?? null}
          {@const less = row.futures[i]!.differences[period] ?? null}
          <td class={i === reference ? 'bg-foam' : ''}>
            {minor === null ? '' : plan.money.cell(minor)}
            {#if i !== reference && less}
              {#if explains(i)}
                <button
                  class="hush ml-1 inline-block min-w-[52px] text-right text-[11px] font-normal underline decoration-dotted"
                  onclick={() => (spot = { row, future: i })}>{more(less)}</button
                >
              {:else}<small class="hush ml-1 inline-block min-w-[52px] font-normal">{more(less)}</small>{/if}
            {:else if i !== reference}<span class="ml-1 inline-block min-w-[52px]"></span>{/if}
          </td>
        {/each}
      </tr>
      {#if opened?.id === row.id}
        <tr><td class="words !p-0" colspan={data.futures.length + 1}><ByPeriod {data} {row} {by} {reference} /></td></tr
        >
      {/if}
    {/each}
  </tbody>
</table>
{#if spot}
  <ByChange
    scenario={data.futures[spot.future]!.asked.slice('scenario:'.length)}
    name={data.futures[spot.future]!.name}
    {table}
    row={spot.row}
    period={data.periods[period]!}
    onclose={() => (spot = undefined)}
  />
{/if}
