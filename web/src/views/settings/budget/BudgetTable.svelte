<script lang="ts">
  import { grouped } from '../../../lib/money';
  import { monthName } from '../../../lib/dates';
  import { getPlan } from '../../../lib/plan.svelte';
  import { HOW, targetOf, valueOf, type BudgetView, type Target } from './budget';

  interface Props {
    budget: BudgetView;
    targets: Target[];
    onchoose: (row: number, target: Target) => void;
  }

  let { budget, targets, onchoose }: Props = $props();
  const plan = getPlan();
  const lines = $derived(plan.view!.lines.filter((line) => line.kind === 'stream'));
</script>

<div class="overflow-auto" style="max-height:calc(100vh - 330px)">
  <table class="figures tight">
    <thead class="sticky top-0 z-[1] bg-sheet">
      <tr>
        <th scope="col">row</th>
        <th class="words" scope="col">Label</th>
        <th class="words" scope="col">becomes</th>
        <th class="words" scope="col"></th>
        {#each budget.months as month (month)}<th scope="col">{monthName(month)}<small>{month.slice(0, 4)}</small></th
          >{/each}
      </tr>
    </thead>
    <tbody>
      {#each budget.rows as row, i (row.number)}
        <tr class={targets[i]?.kind === 'out' ? 'hush' : ''}>
          <td>{row.number}</td>
          <th scope="row" class="words">{row.label}</th>
          <td class="words">
            <select
              class="small-field w-[190px]"
              aria-label="What becomes of {row.label}"
              value={valueOf(targets[i]!)}
              onchange={(e) => onchoose(i, targetOf(e.currentTarget.value))}
            >
              <option value="out">nothing: left out</option>
              <option value="new receipt">a new line of receipts</option>
              <option value="new payment">a new line of payments</option>
              {#each lines as line (line.id)}<option value="line {line.id}">{line.name}</option>{/each}
            </select>
          </td>
          <td class="words hush"
            >{row.total ? 'adds others up' : (HOW[row.how] ?? '')}{#if row.problems.length}<span class="bad block"
                >{row.problems.join('; ')}</span
              >{/if}</td
          >
          {#each budget.months as month (month)}<td>{row.amounts[month] ? grouped(row.amounts[month]) : ''}</td>{/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
