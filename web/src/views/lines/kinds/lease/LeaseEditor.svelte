<script lang="ts">
  import { CONVENTION } from '../../parts/choices';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import type { EditorProps } from '../kind';
  import { putLease } from './lease';

  let { assumption, save }: EditorProps<'lease'> = $props();
  const rent = $derived(assumption.treatment === 'rent');
  const TREATMENT: FieldSpec[] = [
    {
      kind: 'choice',
      field: 'treatment',
      label: 'in the statements',
      options: [
        { value: 'right-of-use', name: 'an asset that is used up, and a debt' },
        { value: 'rent', name: 'plain rent: each payment a cost of the days it covers' },
      ],
    },
  ];
  const THREE: FieldSpec[] = [
    { kind: 'amount', field: 'financed', label: 'amount financed', optional: true },
    { kind: 'amount', field: 'payment', label: 'payment', optional: true },
    { kind: 'percent', field: 'rate', label: 'rate, % a year', optional: true },
  ];
  const PAID: FieldSpec[] = [
    { kind: 'day', field: 'on', label: 'first day' },
    { kind: 'whole', field: 'payments', label: 'payments' },
    { kind: 'whole', field: 'everyMonths', label: 'every', after: 'months' },
    { kind: 'flag', field: 'inAdvance', label: 'in advance' },
    { kind: 'amount', field: 'deposit', label: 'deposit' },
    { kind: 'amount', field: 'finalPayment', label: 'final payment' },
    { kind: 'day', field: 'paidUpTo', label: 'paid up to', optional: true },
    CONVENTION,
  ];
  const HELD: FieldSpec[] = [
    { kind: 'whole', field: 'lifeMonths', label: 'used up in (0: over the term)', after: 'months' },
    { kind: 'flag', field: 'inCovenants', label: 'counts as debt in covenants' },
  ];
  const NO_TAX = { rate: '0', recoverable: '100', atStart: false };
  const tax = $derived(assumption.tax ?? NO_TAX);
  const TAX: FieldSpec[] = [
    { kind: 'percent', field: 'rate', label: 'Sales tax on top, %' },
    { kind: 'percent', field: 'recoverable', label: 'claimed back %' },
    { kind: 'flag', field: 'atStart', label: 'paid whole on the first day' },
  ];

  function put(part: Part, words: string): Promise<string> {
    return save((now) => putLease(now, part), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={TREATMENT} of={assumption} {put} />
  <Fields specs={THREE} of={assumption} {put} />
  <p class="hush">
    {rent
      ? 'The payment is enough; or what is financed and the rate, and the payment follows.'
      : 'Two of the three: the third follows, and stands with the dates that come.'}
  </p>
  <Fields specs={PAID} of={assumption} {put} />
  {#if !rent}<Fields specs={HELD} of={assumption} {put} />{/if}
  <Fields
    specs={Number(tax.rate) > 0 ? TAX : TAX.slice(0, 1)}
    of={tax}
    put={(part, words) => save((now) => ({ ...now, tax: changed({ ...NO_TAX, ...now.tax }, part) }), words)}
  />
</div>
