<script lang="ts">
  import type { By } from '../../../lib/place.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import { heading } from '../../forecast/rows';
  import { letter } from '../whatif';
  import type { Beside, BesideRow } from './beside';

  interface Props {
    data: Beside;
    row: BesideRow;
    by: By;
    reference: number;
  }

  let { data, row, by, reference }: Props = $props();
  const plan = getPlan();
</script>

<div class="overflow-x-auto bg-paper py-1 pl-6">
  <table class="figures tight !bg-transparent" aria-label="{row.name} by period">
    <thead>
      <tr>
        <th class="words"></th>
        {#each data.periods as period (period.from)}
          {@const [name, sub] = heading(by, period)}
          <th>{name}<small>{sub}</small></th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each data.futures as one, i (one.asked)}
        <tr>
          <th class="words"
            ><span class="letter">{letter(i)}</span> {i === reference ? 'is' : 'more than the reference'}</th
          >
          {#each data.periods as period, p (period.from)}
            {@const minor = row.futures[i]![i === reference ? 'amounts' : 'differences'][p] ?? null}
            <td>{minor === null ? '' : minor === 0 ? '·' : plan.money.cell(minor)}</td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
