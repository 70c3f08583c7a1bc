<script lang="ts">
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import { noAmount, readAmount } from '../../../lib/money';
  import { getPlan } from '../../../lib/plan.svelte';

  interface Props {
    name: string;
    /** What was said to be owed on the as-of date, null when it was not. */
    owed: number | null;
    /** What the plan makes of it. */
    proposed: number;
    /** Puts decimal text, or null to take it out; gives the refusal, or nothing. */
    put: (amount: string | null) => Promise<string>;
  }

  let { name, owed, proposed, put }: Props = $props();
  const plan = getPlan();

  function set(typed: string) {
    const amount = typed.trim() === '' ? null : readAmount(typed);
    return amount === null && typed.trim() !== '' ? noAmount(typed) : put(amount);
  }
</script>

<TypedField
  {name}
  class="w-[110px] text-right"
  placeholder="not said"
  value={owed === null ? '' : plan.money.full(owed)}
  onput={set}
/>
{#if owed === null}
  <button class="underline" onclick={() => void put(plan.money.decimal(proposed))}
    >take {plan.money.full(proposed)}</button
  >
{/if}
