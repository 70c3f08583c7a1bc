<script lang="ts">
  import { getPlan } from '../../../lib/plan.svelte';
  import type { Day } from '../../../lib/dates';
  import Fields from '../fields/Fields.svelte';
  import { changed, type FieldSpec } from '../fields/fields';
  import type { Json } from '../save';
  import DriverEditor from './DriverEditor.svelte';

  interface Props {
    method: Json;
    id: string;
    first: Day;
    put: (change: (now: Json) => Json, words: string) => Promise<string>;
  }

  let { method, id, first, put }: Props = $props();
  const plan = getPlan();
  const cost = $derived(method.cost as Json);
  const target = $derived(method.target as Json);
  const bought = $derived(method.bought as Json);
  const units = $derived(cost.by === 'units');
  const GIVEN = $derived<FieldSpec[]>([
    {
      kind: 'choice',
      field: 'sales',
      label: 'Stock for',
      options: plan
        .view!.lines.filter((line) => line.kind === 'stream' && line.id !== id)
        .map((line) => ({ value: line.id, name: line.name })),
    },
    {
      kind: 'choice',
      field: 'given',
      label: 'what follows is',
      options: [
        { value: 'closing', name: 'purchases, from cost of sales and closing stock' },
        { value: 'purchases', name: 'closing stock, from purchases and cost of sales' },
        { value: 'both', name: 'cost of sales, from purchases and closing stock' },
      ],
    },
    { kind: 'amount', field: 'opening', label: 'stock at the start' },
    ...(units ? [{ kind: 'number', field: 'openingUnits', label: 'units at the start' } as const] : []),
    { kind: 'whole', field: 'orderedMonths', label: 'ordered on the plan for', after: 'months ahead' },
  ]);
  const COST = $derived<FieldSpec[]>([
    {
      kind: 'choice',
      field: 'by',
      label: 'Cost of sales is',
      options: [
        { value: 'share-of-sales', name: 'a share of sales' },
        { value: 'units', name: 'units at a cost each' },
      ],
    },
    ...(units
      ? [
          {
            kind: 'choice',
            field: 'valuation',
            label: 'valued at',
            options: [
              { value: 'moving-average', name: 'moving average cost' },
              { value: 'standard', name: 'standard cost' },
            ],
          } as const,
        ]
      : [{ kind: 'percent', field: 'share', label: '% of sales' } as const]),
  ]);
  const BOUGHT = $derived<FieldSpec[]>([
    {
      kind: 'choice',
      field: 'by',
      label: 'Purchases are',
      options: [
        { value: 'share-of-sales', name: 'a share of sales' },
        { value: 'amounts', name: 'overridden month by month below' },
      ],
    },
    ...(bought.by === 'share-of-sales'
      ? [{ kind: 'percent', field: 'share', label: 'purchases % of sales' } as const]
      : []),
  ]);
  const TARGET = $derived<FieldSpec[]>([
    {
      kind: 'choice',
      field: 'by',
      label: method.given === 'purchases' ? 'Stock asked for is' : 'Closing stock is',
      options: [
        { value: 'base-and-share', name: 'a base and a share of the month after' },
        { value: 'days-of-cover', name: 'enough for some days' },
      ],
    },
    ...(target.by === 'days-of-cover'
      ? [{ kind: 'whole', field: 'days', label: 'stock lasts', after: 'days' } as const]
      : [
          units
            ? ({ kind: 'number', field: 'baseUnits', label: 'base units' } as const)
            : ({ kind: 'amount', field: 'base', label: 'base' } as const),
          { kind: 'percent', field: 'share', label: 'and %' } as const,
          ...(units
            ? []
            : [
                {
                  kind: 'choice',
                  field: 'of',
                  label: "of the next month's",
                  options: [
                    { value: 'cost', name: 'cost of sales' },
                    { value: 'sales', name: 'sales' },
                  ],
                } as const,
              ]),
        ]),
  ]);

  function part(field: 'cost' | 'target' | 'bought') {
    return (change: Json, words: string) =>
      put((now) => ({ ...now, [field]: changed((now[field] ?? {}) as Json, change) }), words);
  }

  function driver(field: 'units' | 'unitCost') {
    return (change: (now: Json) => Json, words: string) =>
      put((now) => {
        const of = now.cost as Json;
        return { ...now, cost: { ...of, [field]: change(of[field] as Json) } };
      }, words);
  }
</script>

<div class="basis-full space-y-1.5">
  <Fields specs={GIVEN} of={method} put={(change, words) => put((now) => changed(now, change), words)} />
  {#if method.given !== 'both'}<Fields specs={COST} of={cost} put={part('cost')} />{/if}
  {#if units}
    <DriverEditor label="units sold a month" driver={cost.units as Json} {first} put={driver('units')} />
    <DriverEditor label="cost of a unit" driver={cost.unitCost as Json} {first} put={driver('unitCost')} />
  {/if}
  {#if method.given !== 'closing'}<Fields specs={BOUGHT} of={bought} put={part('bought')} />{/if}
  <Fields specs={TARGET} of={target} put={part('target')} name="stock" />
</div>
