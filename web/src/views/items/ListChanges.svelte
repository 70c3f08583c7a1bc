<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    view: Schemas['ItemListView'];
    closeVanished: boolean;
    leaveBadRows: boolean;
  }

  let { view, closeVanished = $bindable(), leaveBadRows = $bindable() }: Props = $props();
  const plan = getPlan();
</script>

<p>
  {view.added} new, {view.changed} changed, {view.same} the same as before{view.ahead
    ? ` (${view.ahead} of which the bank has settled further than the list knows)`
    : ''}{view.vanished ? `, ${view.vanished} open before and no longer in the list` : ''}.
</p>
{#if view.shown.length}
  <table class="figures" aria-label="What the list changes">
    <thead>
      <tr>
        <th class="words" scope="col">It is</th><th class="words" scope="col">Number</th><th class="words" scope="col"
          >Counterparty</th
        ><th class="words" scope="col">Due</th><th scope="col">Open</th><th scope="col">Open before</th>
      </tr>
    </thead>
    <tbody>
      {#each view.shown as one, i (i)}
        <tr>
          <td class="words">{one.what}</td><td class="words">{one.number}</td><td class="words">{one.counterparty}</td>
          <td class="words">{longDay(one.due)}</td><td>{plan.money.full(one.open)}</td>
          <td>{one.was === null ? '' : plan.money.full(one.was)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#if view.vanished}
  <label class="flex items-center gap-2"
    ><input type="checkbox" bind:checked={closeVanished} /> Take what is no longer in the list as closed</label
  >
{/if}
{#if view.badRows}
  <p class="bad" role="alert">
    {view.badRows === 1 ? 'One row cannot be read.' : `${view.badRows} rows cannot be read.`} Mend the list and choose it
    again, or leave them out.
  </p>
  {#each view.problems as problem, i (i)}<p class="bad">Line {problem.line}: {problem.reason}</p>{/each}
  <label class="flex items-center gap-2"><input type="checkbox" bind:checked={leaveBadRows} /> Leave them out</label>
{/if}
