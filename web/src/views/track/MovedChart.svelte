<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import { scale } from '../statements/charts';
  import { CAUSES } from './track';

  let { data }: { data: Schemas['MovedView'] } = $props();
  const plan = getPlan();
  const ROW = 24;
  let width = $state(900);
  const bars = $derived([
    {
      key: 'before',
      name: `Closing cash on ${longDay(data.day)}, then`,
      from: 0,
      to: data.before,
      minor: data.before,
      total: true,
    },
    ...data.causes
      .filter((cause) => cause.moved !== 0)
      .map((cause) => ({
        key: cause.cause,
        name: CAUSES[cause.cause] ?? cause.cause,
        from: cause.from,
        to: cause.to,
        minor: cause.moved,
        total: false,
      })),
    { key: 'after', name: 'and now', from: 0, to: data.after, minor: data.after, total: true },
  ]);
  const x = $derived(
    scale(
      bars.flatMap((bar) => [bar.from, bar.to]),
      width - 150,
      260,
    ),
  );
</script>

<figure class="card !p-2" bind:clientWidth={width}>
  <svg
    width={width - 18}
    height={bars.length * ROW + 6}
    role="img"
    aria-label="From {plan.money.sum(data.before)} to {plan.money.sum(data.after)}, cause by cause"
  >
    {#each bars as bar, i (bar.key)}
      <text x="250" y={i * ROW + 17} text-anchor="end" font-size="12" fill="#16323b" font-weight={bar.total ? 650 : 400}
        >{bar.name}</text
      >
      <rect
        x={Math.min(x(bar.from), x(bar.to))}
        y={i * ROW + 5}
        width={Math.max(1, Math.abs(x(bar.to) - x(bar.from)))}
        height={ROW - 8}
        fill={bar.total ? '#114a5c' : bar.minor < 0 ? '#b5533c' : '#7fbfc2'}
      />
      <text x={width - 30} y={i * ROW + 17} text-anchor="end" font-size="12" fill="#16323b"
        >{bar.total || bar.minor < 0 ? '' : '+'}{plan.money.full(bar.minor)}</text
      >
    {/each}
  </svg>
</figure>
