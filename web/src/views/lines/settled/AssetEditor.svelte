<script lang="ts">
  import DatedRows, { type DatedRow } from '../DatedRows.svelte';
  import Fields from '../fields/Fields.svelte';
  import { changed, type FieldSpec } from '../fields/fields';
  import type { Json } from '../save';
  import TaxFields from '../TaxFields.svelte';

  interface Props {
    asset: Json;
    /** Changes the asset, as edits still under way leave it; gives the refusal, or nothing. */
    set: (change: (asset: Json) => Json, words: string) => Promise<string>;
    takeOut: () => void;
  }

  let { asset, set, takeOut }: Props = $props();
  const name = $derived(String(asset.name));
  const WHAT: FieldSpec[] = [
    { kind: 'text', field: 'name', label: 'Asset' },
    { kind: 'day', field: 'service', label: 'used from' },
    { kind: 'whole', field: 'lifeMonths', label: 'for', after: 'months' },
    { kind: 'amount', field: 'residual', label: 'then worth' },
    { kind: 'whole', field: 'termsDays', label: 'steps are paid', after: 'days after' },
  ];
  const OWNED: FieldSpec[] = [
    { kind: 'amount', field: 'cost', label: 'Owned already, at a cost of', optional: true },
    { kind: 'amount', field: 'depreciated', label: 'depreciated so far' },
    { kind: 'amount', field: 'monthly', label: 'a month' },
    { kind: 'percent', field: 'yearly', label: 'or % of cost a year' },
  ];
  const SALE: FieldSpec[] = [
    { kind: 'day', field: 'date', label: 'Sold on', optional: true },
    { kind: 'amount', field: 'proceeds', label: 'for' },
  ];
  const owned = $derived((asset.owned ?? {}) as Json);
  const sale = $derived((asset.disposal ?? {}) as Json);

  function put(part: Json, words: string): Promise<string> {
    return set((now) => changed(now, part), words);
  }

  function putOwned(part: Json, words: string): Promise<string> {
    return set((now) => {
      const next = changed((now.owned ?? {}) as Json, part);
      return changed(now, { owned: next.cost === undefined ? null : next });
    }, words);
  }

  function putSale(part: Json, words: string): Promise<string> {
    return set((now) => {
      const next = changed({ proceeds: '0', ...(now.disposal as Json) }, part);
      return changed(now, { disposal: next.date === undefined ? null : next });
    }, words);
  }
</script>

<div class="card mb-2.5 space-y-1.5">
  <div class="flex items-start gap-3">
    <div class="flex-1"><Fields specs={WHAT} of={{ residual: '0', termsDays: 0, ...asset }} {put} {name} /></div>
    <button class="underline" onclick={takeOut}>Take {name} out</button>
  </div>
  <b class="hush block font-normal">What it costs, by steps, before sales tax</b>
  <DatedRows
    what="step of {name}"
    rows={(asset.milestones ?? []) as DatedRow[]}
    make={(row) => row}
    put={(change, words) =>
      set((now) => ({ ...now, milestones: change((now.milestones ?? []) as DatedRow[]) }), `${name}: ${words}`)}
  />
  <TaxFields assumption={asset} save={set} />
  <Fields specs={asset.owned ? OWNED : OWNED.slice(0, 1)} of={owned} put={putOwned} {name} />
  <Fields specs={asset.disposal ? SALE : SALE.slice(0, 1)} of={sale} put={putSale} {name} />
</div>
