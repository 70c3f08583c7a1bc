<script lang="ts">
  import type { Day } from '../../../lib/dates';
  import type { Json } from '../save';
  import DriverEditor from './DriverEditor.svelte';
  import { FACTORS, keyOf } from './methods';

  interface Props {
    method: Json;
    first: Day;
    put: (change: (now: Json) => Json, words: string) => Promise<string>;
  }

  let { method, first, put }: Props = $props();
  const factors = $derived(method.factors as Json[]);

  function putFactor(i: number, change: (now: Json) => Json, words: string): Promise<string> {
    return put(
      (now) => ({ ...now, factors: (now.factors as Json[]).map((one, at) => (at === i ? change(one) : one)) }),
      words,
    );
  }
</script>

<div class="flex basis-full flex-col gap-1">
  {#each FACTORS[keyOf(method)] ?? [] as label, i (label)}
    <DriverEditor {label} driver={factors[i]!} {first} put={(change, words) => putFactor(i, change, words)} />
  {/each}
</div>
