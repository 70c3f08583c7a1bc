<script lang="ts">
  import Act from '../../../lib/Act.svelte';
  import { shortDay } from '../../../lib/dates';
  import { getPlan } from '../../../lib/plan.svelte';
  import type { Rolling } from '../../roll/rolling';
  import type { Row } from '../track';

  interface Props {
    row: Row;
    rolling: Rolling;
    oncarry: () => void;
  }

  let { row, rolling, oncarry }: Props = $props();
  const plan = getPlan();
  const waiting = $derived(row.decisions.find((one) => one.carried === null));
  const decided = $derived(row.decisions.filter((one) => one.carried !== null));
</script>

{#if waiting}
  <span class="flex gap-1" title="{waiting.words}: {plan.money.sum(waiting.open)} is open">
    <Act onclick={oncarry}>Carry</Act>
    <Act onclick={() => void rolling.drop(waiting.key)}>Drop</Act>
  </span>
{:else if decided.length}
  <span class="hush" title={decided.map((one) => one.words).join('; ')}>
    {decided
      .map((one) =>
        one.day === null ? 'dropped' : `${plan.money.short(one.carried!)} carried to ${shortDay(one.day)}`,
      )
      .join(', ')}
  </span>
{:else if row.mustExplain && !row.note}
  <span class="hush">to explain</span>
{/if}
