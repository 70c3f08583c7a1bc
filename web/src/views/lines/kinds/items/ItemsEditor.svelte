<script lang="ts">
  import ChoiceField from '../../../../lib/fields/ChoiceField.svelte';
  import WindowFields from '../../parts/WindowFields.svelte';
  import type { EditorProps } from '../kind';
  import CertaintyAndHoliday from '../../parts/CertaintyAndHoliday.svelte';
  import DatedRows from '../../parts/DatedRows.svelte';
  import type { Of } from '../../save';
  import TaxFields from '../../parts/TaxFields.svelte';

  type Item = Of<'items'>['items'][number];

  let { assumption, save, view, netting, saveNetting }: EditorProps<'items'> = $props();

  function put(change: (now: Item[]) => Item[], words: string): Promise<string> {
    return save((now) => ({ ...now, items: change(now.items) }), words);
  }
</script>

{#snippet certainty(item: Item, set: (part: Partial<Item>) => void, i: number)}
  <ChoiceField
    name="Certainty of item {i + 1}"
    value={item.certainty}
    onchoose={(chosen) => set({ certainty: chosen })}
    options={['certain', 'likely', 'possible']}
  />
{/snippet}

<div class="card mb-2.5">
  <DatedRows
    what="item"
    rows={assumption.items}
    make={(row): Item => ({ ...row, certainty: 'certain' })}
    {put}
    more={{ head: 'Certainty', cell: certainty }}
  />
  <div class="mt-2"><TaxFields {assumption} {save} /></div>
  <CertaintyAndHoliday {assumption} {save} />
</div>
<WindowFields {netting} coming={view.coming} save={saveNetting} />
