<script lang="ts">
  import type { LineView } from '../../../lib/api';
  import { fullDay, longDay } from '../../../lib/dates';
  import { getPlan } from '../../../lib/plan.svelte';

  interface Props {
    coming: LineView['coming'];
  }

  let { coming }: Props = $props();
  const plan = getPlan();
  const shown = $derived(coming.slice(0, 14));
</script>

<div class="card">
  <b class="font-semibold">Coming dates</b>
  <table class="figures mt-1">
    <thead>
      <tr>
        <th class="words" scope="col">Day</th><th class="words" scope="col">Why this day</th><th scope="col"
          >Expected</th
        >
        <th scope="col">Booked</th><th scope="col">Left</th><th class="words" scope="col"></th>
      </tr>
    </thead>
    <tbody>
      {#each shown as date, i (i)}
        <tr class={date.counted ? '' : 'hush'}>
          <td class="words">{fullDay(date.day)}</td>
          <td class="words hush"
            >{date.words}{date.typed === date.day ? '' : `; ${longDay(date.typed)} is no business day`}</td
          >
          <td>{plan.money.full(date.amount)}</td>
          <td>{date.used ? plan.money.full(date.used) : '·'}</td>
          <td class="estimated">{date.left ? plan.money.full(date.left) : '·'}</td>
          <td class="words hush">
            {date.certainty}{date.counted ? '' : ', left out of the figures'}{date.overBy
              ? `, over by ${plan.money.full(date.overBy)}`
              : ''}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if coming.length === 0}<p class="hush mt-1">No date lies ahead.</p>{/if}
  {#if coming.length > shown.length}<p class="hush mt-1">
      and {coming.length - shown.length} more within the horizon
    </p>{/if}
</div>
