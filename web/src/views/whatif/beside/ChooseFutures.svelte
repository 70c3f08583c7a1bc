<script lang="ts">
  import { Dropdown } from 'flowbite-svelte';
  import Act from '../../../lib/Act.svelte';
  import { MOST, type Offer } from './beside';

  interface Props {
    offers: Offer[];
    /** Those that stand side by side, the base first where it does. */
    chosen: string[];
    onchoose: (asked: string) => void;
  }

  let { offers, chosen, onchoose }: Props = $props();
  const KINDS = { scenario: 'Scenarios', snapshot: 'Forecasts as they were kept', plan: 'Other plans' } as const;
  const full = $derived(chosen.length >= MOST);
</script>

<Act>{chosen.length} side by side</Act>
<Dropdown simple class="z-30 max-h-[60vh] w-[320px] overflow-y-auto rounded-[3px] border border-rule-2 p-3">
  <p class="hush mb-1">Up to {MOST}; one that is taken out makes room.</p>
  {#each ['scenario', 'snapshot', 'plan'] as const as kind (kind)}
    {#if offers.some((one) => one.kind === kind)}
      <fieldset class="mb-2">
        <legend class="font-semibold">{KINDS[kind]}</legend>
        {#each offers.filter((one) => one.kind === kind) as one (one.asked)}
          <label class="block truncate">
            <input
              type="checkbox"
              checked={chosen.includes(one.asked)}
              disabled={full && !chosen.includes(one.asked)}
              onchange={() => onchoose(one.asked)}
            />
            {one.name}
          </label>
        {/each}
      </fieldset>
    {/if}
  {/each}
</Dropdown>
