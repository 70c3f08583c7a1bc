<script lang="ts">
  import ChoiceField from '../../../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../../../lib/fields/TypedField.svelte';
  import type { Save, Stream } from '../../save';
  import TaxFields from '../../parts/TaxFields.svelte';

  interface Props {
    assumption: Stream;
    save: Save<Stream>;
    /** Whether the line is a payment. */
    paid: boolean;
  }

  let { assumption, save, paid }: Props = $props();
  const spread = $derived(assumption.spread);
  const days = $derived(
    (spread.kind === 'days' ? spread.days : [])
      .map((d) => (d.weight === 1 ? String(d.day) : `${d.day}×${d.weight}`))
      .join(', '),
  );
  /** What a way of spreading begins with. */
  const SPREADS: Record<string, Stream['spread']> = {
    even: { kind: 'even' },
    days: { kind: 'days', days: [{ day: 15, weight: 1 }] },
    weeks: { kind: 'weeks', weights: [1, 1, 1, 1, 1] },
  };

  function putSpread(next: Stream['spread']): Promise<string> {
    return save((now) => ({ ...now, spread: next }), 'days of the month chosen');
  }

  /** Days such as "10, 25" or, with weights, "10×2, 25×3". */
  function setDays(typed: string) {
    const parts = typed.split(',').map((part) => /^\s*(\d{1,2})(?:\s*[x×*]\s*(\d+))?\s*$/.exec(part));
    if (parts.some((part) => !part))
      return `'${typed}' are no days: type days of the month such as 10, 25, or with weights 10×2, 25×3.`;
    return putSpread({
      kind: 'days',
      days: parts.map((part) => ({ day: Number(part![1]), weight: Number(part![2] ?? 1) })),
    });
  }

  function setWeeks(typed: string) {
    const weights = typed.split(/[,\s]+/).filter(Boolean);
    return weights.length !== 5 || weights.some((w) => !/^\d+$/.test(w))
      ? `'${typed}' are no five weights: type one for each week of the month, such as 1, 2, 1, 3, 2.`
      : putSpread({ kind: 'weeks', weights: weights.map(Number) });
  }
</script>

<div class="mt-3 flex flex-wrap items-baseline gap-x-4 gap-y-1 border-t border-rule pt-2">
  <div class="w-full"><TaxFields {assumption} {save} {paid} /></div>
  <ChoiceField
    label="Within the month"
    value={spread.kind}
    onput={(chosen) => putSpread(SPREADS[chosen]!)}
    options={[
      { value: 'even', name: 'even over business days' },
      { value: 'days', name: 'on certain days' },
      { value: 'weeks', name: 'by week of the month' },
    ]}
  />
  {#if spread.kind === 'days'}
    <TypedField name="Days of the month" class="w-[130px]" value={days} onput={setDays} />
  {:else if spread.kind === 'weeks'}
    <TypedField name="Weights of the five weeks" class="w-[130px]" value={spread.weights.join(', ')} onput={setWeeks} />
  {/if}
</div>
