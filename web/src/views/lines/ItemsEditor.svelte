<script lang="ts">
  import CertaintyAndHoliday from './CertaintyAndHoliday.svelte';
  import DatedRows, { type DatedRow } from './DatedRows.svelte';
  import type { Json, Save } from './save';
  import TaxFields from './TaxFields.svelte';

  interface Props {
    assumption: Json;
    save: Save;
  }

  type Item = DatedRow & { certainty: string };

  let { assumption, save }: Props = $props();

  function put(change: (now: Item[]) => Item[], words: string): Promise<string> {
    return save((now) => ({ ...now, items: change((now.items ?? []) as Item[]) }), words);
  }
</script>

{#snippet certainty(item: Item, set: (part: Partial<Item>) => void, i: number)}
  <select
    class="small-field"
    aria-label="Certainty of item {i + 1}"
    value={item.certainty}
    onchange={(e) => set({ certainty: e.currentTarget.value })}
  >
    <option>certain</option><option>likely</option><option>possible</option>
  </select>
{/snippet}

<div class="card mb-2.5">
  <DatedRows
    what="item"
    rows={(assumption.items ?? []) as Item[]}
    make={(row) => ({ ...row, certainty: 'certain' })}
    {put}
    more={{ head: 'Certainty', cell: certainty }}
  />
  <div class="mt-2"><TaxFields {assumption} {save} /></div>
  <CertaintyAndHoliday {assumption} {save} />
</div>
