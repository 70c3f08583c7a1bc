<script lang="ts">
  import type { Day } from '../../../../../lib/dates';
  import type { Driver, MethodOf, Save } from '../../../save';
  import DriverEditor from './DriverEditor.svelte';
  import { FACTORS } from './methods';

  interface Props {
    method: MethodOf<'product'>;
    first: Day;
    put: Save<MethodOf<'product'>>;
  }

  let { method, first, put }: Props = $props();
  const factors = $derived(method.factors);

  function putFactor(i: number, change: (now: Driver) => Driver, words: string): Promise<string> {
    return put((now) => ({ ...now, factors: now.factors.map((one, at) => (at === i ? change(one) : one)) }), words);
  }
</script>

<div class="flex basis-full flex-col gap-1">
  {#each FACTORS[method.of] as label, i (label)}
    <DriverEditor {label} driver={factors[i]!} {first} put={(change, words) => putFactor(i, change, words)} />
  {/each}
</div>
