<script lang="ts">
  import { getPlan } from '../../../../../lib/plan.svelte';
  import type { Day } from '../../../../../lib/dates';
  import Fields from '../../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../../parts/fields';
  import type { Driver, MethodOf, Save } from '../../../save';
  import DriverEditor from './DriverEditor.svelte';

  interface Props {
    method: MethodOf<'stock'>;
    id: string;
    first: Day;
    put: Save<MethodOf<'stock'>>;
  }

  let { method, id, first, put }: Props = $props();
  const plan = getPlan();
  const cost = $derived(method.cost);
  const target = $derived(method.target);
  const bought = $derived(method.bought);
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
    return (change: Part, words: string) =>
      put((now) => ({ ...now, [field]: changed({ ...now[field] }, change) }), words);
  }

  function driver(field: 'units' | 'unitCost') {
    return (change: (now: Driver) => Driver, words: string) =>
      put((now) => ({ ...now, cost: { ...now.cost, [field]: change(now.cost[field]) } }), words);
  }
</script>

<div class="basis-full space-y-1.5">
  <Fields specs={GIVEN} of={method} put={(change, words) => put((now) => changed(now, change), words)} />
  {#if method.given !== 'both'}<Fields specs={COST} of={cost} put={part('cost')} />{/if}
  {#if units}
    <DriverEditor label="units sold a month" driver={cost.units} {first} put={driver('units')} />
    <DriverEditor label="cost of a unit" driver={cost.unitCost} {first} put={driver('unitCost')} />
  {/if}
  {#if method.given !== 'closing'}<Fields specs={BOUGHT} of={bought} put={part('bought')} />{/if}
  <Fields specs={TARGET} of={target} put={part('target')} name="stock" />
</div>
