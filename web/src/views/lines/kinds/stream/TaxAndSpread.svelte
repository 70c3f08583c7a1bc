<script lang="ts">
  import Refusal from '../../../../lib/Refusal.svelte';
  import TypedField from '../../../../lib/TypedField.svelte';
  import { Said } from '../../../../lib/said.svelte';
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
  const said = new Said();
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
  <label>
    <span class="hush">Within the month</span>
    <select
      class="small-field"
      value={spread.kind}
      onchange={(e) => said.of(putSpread(SPREADS[e.currentTarget.value]!))}
    >
      <option value="even">even over business days</option>
      <option value="days">on certain days</option>
      <option value="weeks">by week of the month</option>
    </select>
  </label>
  {#if spread.kind === 'days'}
    <TypedField name="Days of the month" class="w-[130px]" value={days} onput={setDays} />
  {:else if spread.kind === 'weeks'}
    <TypedField name="Weights of the five weeks" class="w-[130px]" value={spread.weights.join(', ')} onput={setWeeks} />
  {/if}
</div>
<Refusal words={said.words} class="mt-1" />
