<script lang="ts">
  import { getPlan } from '../../../lib/plan.svelte';
  import { isLine, type Row } from '../track';
  import ExplainCard from './ExplainCard.svelte';

  interface Props {
    rows: Row[];
    /** What became of lines since the snapshot. */
    moved: string[];
    note: string;
    toExplain: number;
    explained: number;
  }

  let { rows, moved, note, toExplain, explained }: Props = $props();
  const plan = getPlan();
  const closing = $derived(rows.find((row) => row.kind === 'closing'));
  const worst = $derived(
    rows
      .filter((row) => isLine(row) && row.variance < 0)
      .sort((a, b) => a.variance - b.variance)
      .slice(0, 4),
  );
</script>

{#snippet figure(name: string, minor: number, look: string)}
  <div>
    <dt class="hush text-[11px]">{name}</dt>
    <dd class="text-[17px] font-semibold {look}" title={plan.money.sum(minor)}>{plan.money.short(minor)}</dd>
  </div>
{/snippet}

{#if closing}
  <section class="card" aria-label="Closing cash">
    <b class="font-semibold">Closing cash</b>
    <dl class="mt-1 flex justify-between">
      {@render figure('forecast', closing.forecast, '')}
      {@render figure('actual', closing.actual, '')}
      {@render figure('missed by', closing.variance, closing.variance < 0 ? 'bad' : '')}
    </dl>
  </section>
{/if}
<ExplainCard {toExplain} {explained} />
<section class="card" aria-label="Where it went wrong most">
  <b class="font-semibold">Where it went wrong most</b>
  <table class="figures mt-1">
    <tbody>
      {#each worst as row (row.id)}
        <tr><td class="words">{row.name}</td><td class="bad">{plan.money.short(row.variance)}</td></tr>
      {:else}
        <tr><td class="words hush">No line was unfavourable.</td></tr>
      {/each}
    </tbody>
  </table>
</section>
{#if note}<p class="card">{note}</p>{/if}
{#if moved.length}
  <details class="card" aria-label="Changed since the snapshot">
    <summary class="cursor-pointer font-semibold">Changed since the snapshot · {moved.length}</summary>
    <ul class="mt-1">
      {#each moved as words (words)}<li>{words}</li>{/each}
    </ul>
  </details>
{/if}
