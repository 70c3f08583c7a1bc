<script lang="ts">
  import { getPlan } from '../../lib/plan.svelte';
  import type { Sum } from './items';

  interface Props {
    sums: Sum[];
    by: 'counterparty' | 'age' | 'week';
    /** Opens the items of a sum, where they are found by its name. */
    onopen?: (name: string) => void;
  }

  let { sums, by, onopen }: Props = $props();
  const plan = getPlan();
  const TITLES = { counterparty: 'Counterparty', age: 'On the as-of date', week: 'Expected in the' };
</script>

<table class="figures" aria-label="Sums by {by}">
  <thead>
    <tr>
      <th class="words" scope="col">{TITLES[by]}</th><th scope="col">Items</th><th scope="col">Open</th><th scope="col"
        >Expected to be paid</th
      ><th scope="col">Left out</th>
    </tr>
  </thead>
  <tbody>
    {#each sums as sum (sum.name)}
      <tr>
        <th class="words" scope="row"
          >{#if onopen}<button class="underline decoration-dotted" onclick={() => onopen(sum.name)}>{sum.name}</button
            >{:else}{sum.name}{/if}</th
        >
        <td>{sum.items}</td>
        <td>{plan.money.full(sum.open)}</td>
        <td>{plan.money.full(sum.pays)}</td>
        <td>{sum.leftOut ? plan.money.full(sum.leftOut) : '·'}</td>
      </tr>
    {/each}
  </tbody>
</table>
