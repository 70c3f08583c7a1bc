<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import type { Schemas } from '../../lib/api';

  interface Props {
    view: Schemas['ItemListView'];
    onchoose: (columns: Record<string, string>) => void;
  }

  let { view, onchoose }: Props = $props();
  let open = $state(false);
  const NAMES: Record<string, string> = {
    NUMBER: 'number',
    COUNTERPARTY: 'counterparty',
    ISSUED: 'date of issue',
    DUE: 'due',
    AMOUNT: 'amount with tax',
    NET: 'amount before tax',
    TAX: 'sales tax',
    OPEN: 'still open',
    KIND: 'kind',
    SUPPLIED: 'supplied',
    PAID: 'paid on',
    DISCOUNT_UNTIL: 'discount until',
    DISCOUNT: 'discount %',
  };

  function choose(field: string, heading: string) {
    const others = Object.entries(view.columns).filter(([one, at]) => one !== field && at !== heading);
    onchoose(Object.fromEntries(heading ? [...others, [field, heading]] : others));
  }
</script>

<p class="hush">
  {view.remembered ? 'Columns as last time.' : 'Columns as their headings suggest:'}
  {#if view.remembered && !open}<button class="underline" onclick={() => (open = true)}>See or change them</button>{/if}
</p>
<div class="flex flex-wrap gap-x-4 gap-y-1.5">
  {#each open || !view.remembered ? view.fields : [] as field (field)}
    <ChoiceField
      label={NAMES[field]}
      class="max-w-[150px]"
      name="Column of {NAMES[field]}"
      value={view.columns[field] ?? ''}
      onchoose={(chosen) => choose(field, chosen)}
      options={[{ value: '', name: '–' }, ...view.headings]}
    />
  {/each}
</div>
