<script lang="ts">
  import Act from '../../../../lib/Act.svelte';
  import Refusal from '../../../../lib/Refusal.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import { monthChoice } from '../../parts/choices';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec } from '../../parts/fields';
  import type { EditorProps } from '../kind';
  import { endings } from './endings';

  let { assumption, save }: Pick<EditorProps<'sales-tax'>, 'assumption' | 'save'> = $props();
  const said = new Said();
  const days = $derived(assumption.otherDays ?? []);
  const free = $derived(
    endings(assumption.firstMonth, assumption.months).filter((month) => !days.some((one) => one.ends === month)),
  );
  const DAY: FieldSpec[] = [
    monthChoice('ends', 'a period that ends in'),
    { kind: 'whole', field: 'day', label: 'is settled on day' },
    { kind: 'whole', field: 'monthsAfter', label: 'of month', after: 'after it' },
  ];

  function set(change: (now: typeof days) => typeof days, words: string): Promise<string> {
    return save((now) => ({ ...now, otherDays: change(now.otherDays ?? []) }), words);
  }

  function add() {
    const one = { ends: free[0]!, monthsAfter: assumption.monthsAfter + 1, day: assumption.day };
    void said.of(set((now) => [...now, one], 'a day of its own for a period added'));
  }
</script>

{#each days as one, i (i)}
  <div class="flex items-baseline gap-3">
    <Fields
      specs={DAY}
      of={one}
      name="day of its own {i + 1}"
      put={(part, words) => set((now) => now.map((each, at) => (at === i ? changed(each, part) : each)), words)}
    />
    <button
      class="underline"
      onclick={() => void said.of(set((now) => now.filter((_, at) => at !== i), 'a day of its own taken out'))}
      >Take out</button
    >
  </div>
{/each}
{#if free.length}<Act onclick={add}>Settle a period on a day of its own</Act>{/if}
<Refusal words={said.words} />
