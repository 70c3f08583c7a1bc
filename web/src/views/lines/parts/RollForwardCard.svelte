<script lang="ts">
  import type { LineView } from '../../../lib/api';
  import { head } from '../../../lib/grid/figures';
  import { getPlan } from '../../../lib/plan.svelte';

  interface Props {
    roll: LineView['owed'][number];
    title: string;
  }

  let { roll, title }: Props = $props();
  const plan = getPlan();
  const columns = $derived(roll.periods.map(head));
  const rows = $derived([
    { name: 'opening', amounts: roll.opening },
    ...roll.changes.filter((change) => change.amounts.some((minor) => minor !== 0)),
  ]);
</script>

<div class="card mb-2.5 overflow-x-auto">
  <div class="mb-1 flex items-baseline gap-3">
    <b class="flex-1 font-semibold">{title}</b><span class="hush">{plan.money.words}</span>
  </div>
  <table class="figures">
    <thead>
      <tr>
        <th class="words" scope="col"></th>
        {#each columns as column (column.key)}<th scope="col">{column.name}<small>{column.sub}</small></th>{/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.name)}
        <tr class="estimated">
          <th scope="row" class="words not-italic">{row.name}</th>
          {#each row.amounts as minor, i (i)}<td title={plan.money.sum(minor)}>{plan.money.cell(minor)}</td>{/each}
        </tr>
      {/each}
      <tr class="estimated bg-foam font-[650]">
        <th scope="row" class="words not-italic">closing</th>
        {#each roll.closing as minor, i (i)}<td title={plan.money.sum(minor)}>{plan.money.cell(minor)}</td>{/each}
      </tr>
    </tbody>
  </table>
</div>
