<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    rows: Schemas['VarianceRow'][];
    /** What became of lines since the snapshot. */
    moved: string[];
    note: string;
  }

  let { rows, moved, note }: Props = $props();
  const plan = getPlan();
  const closing = $derived(rows.find((row) => row.kind === 'closing'));
  const worst = $derived(
    rows
      .filter((row) => ['line', 'gone_line', 'unassigned'].includes(row.kind) && row.variance < 0)
      .sort((a, b) => a.variance - b.variance)
      .slice(0, 5),
  );
</script>

<div class="flex flex-col gap-3">
  {#if closing}
    <section class="card" aria-label="Closing cash">
      <b class="font-semibold">Closing cash</b>
      <dl class="mt-1 flex justify-between">
        <div>
          <dt class="hush text-[11px]">forecast</dt>
          <dd class="text-[17px] font-semibold" title={plan.money.sum(closing.forecast)}>
            {plan.money.short(closing.forecast)}
          </dd>
        </div>
        <div>
          <dt class="hush text-[11px]">actual</dt>
          <dd class="text-[17px] font-semibold" title={plan.money.sum(closing.actual)}>
            {plan.money.short(closing.actual)}
          </dd>
        </div>
        <div>
          <dt class="hush text-[11px]">missed by</dt>
          <dd
            class="text-[17px] font-semibold {closing.variance < 0 ? 'bad' : ''}"
            title={plan.money.sum(closing.variance)}
          >
            {plan.money.short(closing.variance)}
          </dd>
        </div>
      </dl>
    </section>
  {/if}
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
    <section class="card" aria-label="Changed since the snapshot">
      <b class="font-semibold">Changed since the snapshot</b>
      <ul class="mt-1">
        {#each moved as words (words)}<li>{words}</li>{/each}
      </ul>
    </section>
  {/if}
</div>
