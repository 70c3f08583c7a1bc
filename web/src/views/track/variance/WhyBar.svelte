<script lang="ts">
  import { getPlan } from '../../../lib/plan.svelte';
  import { pieces, REASONS, type Why } from '../track';

  interface Props {
    why: Why;
    /** What half the bar stands for. */
    most: number;
  }

  let { why, most }: Props = $props();
  const plan = getPlan();
  const HALF = 96;
  const words = $derived(
    REASONS.filter(({ key }) => why[key] !== 0)
      .map(({ key, name }) => `${name} ${plan.money.sum(why[key])}`)
      .join(', '),
  );
</script>

<svg width="200" height="14" class="block" role="img" aria-label={words || 'as forecast'}>
  <title>{words || 'as forecast'}</title>
  {#each pieces(why, most, HALF) as piece (piece.key)}
    <rect
      x={piece.x + 4}
      y="2"
      width={Math.max(1, piece.width)}
      height="10"
      fill={piece.fill}
      stroke={piece.key === 'open' ? '#12303b' : 'none'}
      stroke-width="0.8"
    />
  {/each}
  <path d="M{HALF + 4} 0V14" stroke="#a79f8b" />
</svg>
