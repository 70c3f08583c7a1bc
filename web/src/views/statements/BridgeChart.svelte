<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { bars, scale } from './charts';

  let { from, to }: { from: string; to: string } = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/statements/bridge', {
        params: { path: { plan: plan.id }, query: { from, to } },
        signal,
      }),
    );
  });
  const ROW = 26;
  let width = $state(900);
  const shown = $derived(loaded.data ? bars(loaded.data) : []);
  const x = $derived(
    scale(
      shown.flatMap((bar) => [bar.from, bar.to]),
      width - 150,
      260,
    ),
  );
</script>

{#if loaded.problem}
  <p role="alert" class="bad">{loaded.problem.detail}</p>
{:else}
  <figure class="card !p-2" bind:clientWidth={width}>
    <svg
      width={width - 18}
      height={shown.length * ROW + 8}
      role="img"
      aria-label="Where the cash went, from opening to closing"
    >
      {#each shown as bar, i (bar.key)}
        <text
          x="250"
          y={i * ROW + 19}
          text-anchor="end"
          font-size="12"
          fill="#16323b"
          font-weight={bar.total ? 650 : 400}>{bar.name}</text
        >
        <rect
          x={Math.min(x(bar.from), x(bar.to))}
          y={i * ROW + 6}
          width={Math.max(1, Math.abs(x(bar.to) - x(bar.from)))}
          height={ROW - 9}
          fill={bar.total ? '#114a5c' : bar.minor < 0 ? '#b5533c' : '#7fbfc2'}
        />
        <text x={width - 30} y={i * ROW + 19} text-anchor="end" font-size="12" fill="#16323b"
          >{plan.money.full(bar.minor)}</text
        >
      {/each}
    </svg>
  </figure>
{/if}
