<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
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
  const becomes = $derived([
    { value: 'out', name: 'nothing: left out' },
    { value: 'new receipt', name: 'a new line of receipts' },
    { value: 'new payment', name: 'a new line of payments' },
    ...plan
      .view!.lines.filter((line) => line.kind === 'stream')
      .map((line) => ({ value: `line ${line.id}`, name: line.name })),
  ]);
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
            <ChoiceField
              class="w-[190px]"
              name="What becomes of {row.label}"
              value={valueOf(targets[i]!)}
              onchoose={(chosen) => onchoose(i, targetOf(chosen))}
              options={becomes}
            />
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
