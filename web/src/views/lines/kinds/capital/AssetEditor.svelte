<script lang="ts">
  import DatedRows from '../../parts/DatedRows.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import TaxFields from '../../parts/TaxFields.svelte';
  import { usedUp, withShare, withUsedUp, type Asset, type UsedUp } from './wear';

  interface Props {
    asset: Asset;
    /** Changes the asset, as edits still under way leave it; gives the refusal, or nothing. */
    set: (change: (asset: Asset) => Asset, words: string) => Promise<string>;
    takeOut: () => void;
  }

  let { asset, set, takeOut }: Props = $props();
  const name = $derived(asset.name);
  const WHAT: FieldSpec[] = [
    { kind: 'text', field: 'name', label: 'Asset' },
    { kind: 'day', field: 'service', label: 'used from' },
    { kind: 'months', field: 'lifeMonths', label: 'for', after: 'months' },
    { kind: 'amount', field: 'residual', label: 'then worth' },
    { kind: 'whole', field: 'termsDays', label: 'steps are paid', after: 'days after' },
  ];
  const EACH: FieldSpec[] = [{ kind: 'flag', field: 'stepwise', label: 'each step is used from the month after it' }];
  const OWNED: FieldSpec[] = [
    { kind: 'amount', field: 'cost', label: 'Owned already, at a cost of', optional: true },
    { kind: 'amount', field: 'depreciated', label: 'depreciated so far' },
  ];
  const CHARGE: FieldSpec[] = [
    { kind: 'amount', field: 'monthly', label: 'a month' },
    { kind: 'percent', field: 'yearly', label: 'or % of cost a year' },
  ];
  const SALE: FieldSpec[] = [
    { kind: 'day', field: 'date', label: 'Sold on', optional: true },
    { kind: 'amount', field: 'proceeds', label: 'for' },
  ];
  const USED_UP = $derived<FieldSpec[]>([
    {
      kind: 'choice',
      field: 'by',
      label: 'Used up',
      options: [
        { value: 'life', name: asset.owned ? 'evenly over what is left of its life' : 'evenly over its life' },
        { value: 'cost', name: 'by % of its cost a year' },
        { value: 'book', name: 'by % of its book value a year' },
        ...(asset.owned ? [{ value: 'charge', name: 'by a charge' }] : []),
      ],
    },
  ]);
  const SHARE: FieldSpec[] = [{ kind: 'percent', field: 'yearly', label: '% a year' }];
  const by = $derived(usedUp(asset));
  const owned = $derived(asset.owned ?? {});
  const sale = $derived(asset.disposal ?? {});

  function put(part: Part, words: string): Promise<string> {
    return set((now) => changed(now, part), words);
  }

  function putOwned(part: Part, words: string): Promise<string> {
    return set((now) => {
      const begun = { cost: '', depreciated: '0', monthly: '0', yearly: '0', ...now.owned };
      return changed(now, { owned: part.cost === null ? null : changed(begun, part) });
    }, words);
  }

  function putSale(part: Part, words: string): Promise<string> {
    return set((now) => {
      const begun = { date: '', proceeds: '0', ...now.disposal };
      return changed(now, { disposal: part.date === null ? null : changed(begun, part) });
    }, words);
  }
</script>

<div class="card mb-2.5 space-y-1.5">
  <div class="flex items-start gap-3">
    <div class="flex-1"><Fields specs={WHAT} of={asset} {put} {name} /></div>
    <button class="underline" onclick={takeOut}>Take {name} out</button>
  </div>
  <b class="hush block font-normal">What it costs, by steps, before sales tax</b>
  <DatedRows
    what="step of {name}"
    rows={asset.milestones}
    make={(row) => row}
    put={(change, words) => set((now) => ({ ...now, milestones: change(now.milestones) }), `${name}: ${words}`)}
  />
  <TaxFields assumption={asset} save={set} />
  {#if asset.milestones.length > (asset.owned ? 0 : 1)}<Fields specs={EACH} of={asset} {put} {name} />{/if}
  <Fields specs={asset.owned ? OWNED : OWNED.slice(0, 1)} of={owned} put={putOwned} {name} />
  <div class="flex flex-wrap items-baseline gap-x-4">
    <Fields
      specs={USED_UP}
      of={{ by }}
      put={(part, words) => set((now) => withUsedUp(now, part.by as UsedUp), words)}
      {name}
    />
    {#if by === 'charge'}
      <Fields specs={CHARGE} of={owned} put={putOwned} {name} />
    {:else if by !== 'life'}
      <Fields
        specs={SHARE}
        of={asset.wear ?? {}}
        put={(part, words) => set((now) => withShare(now, part), words)}
        {name}
      />
    {/if}
  </div>
  <Fields specs={asset.disposal ? SALE : SALE.slice(0, 1)} of={sale} put={putSale} {name} />
</div>
