<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import type { Schemas } from '../../lib/api';
  import { noDay, readDay } from '../../lib/dates';
  import { noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import type { Rolling } from './rolling';

  interface Props {
    difference: Pick<Schemas['DifferenceView'], 'key' | 'carry'>;
    /** The day that is proposed. */
    day: string;
    rolling: Rolling;
    onclose: () => void;
  }

  let { difference, day, rolling, onclose }: Props = $props();
  const plan = getPlan();
  let amount = $state(untrack(() => plan.money.decimal(difference.carry)));
  let when = $state(untrack(() => day));
  let refusal = $state('');

  async function carry() {
    const read = readAmount(amount);
    const to = readDay(when);
    if (read === null) refusal = noAmount(amount);
    else if (!to) refusal = noDay(when);
    else {
      const problem = await rolling.carry(difference.key, read, to);
      refusal = problem?.detail ?? '';
      if (!problem) onclose();
    }
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'Enter') void carry();
    else if (e.key === 'Escape') onclose();
    else return;
    e.preventDefault();
  }
</script>

<div class="flex flex-wrap items-center gap-2">
  <EntryField label="Carry" class="w-[120px]" name="Amount to carry" bind:value={amount} {onkeydown} />
  <EntryField label="to" class="w-[120px]" name="Day to carry it to" bind:value={when} {onkeydown} />
  <Act main onclick={() => void carry()}>Carry it</Act>
  <span class="hush">less than the whole leaves the rest dropped</span>
</div>
<Refusal words={refusal} />
