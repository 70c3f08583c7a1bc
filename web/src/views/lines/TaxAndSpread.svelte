<script lang="ts">
  import TypedField from '../../lib/TypedField.svelte';
  import { readPercent } from '../../lib/money';
  import { Said } from '../../lib/said.svelte';
  import type { Json, Save } from './save';

  interface Props {
    assumption: Json;
    save: Save;
  }

  let { assumption, save }: Props = $props();
  const tax = $derived((assumption.tax ?? { rate: '0', gross: false }) as Json);
  const spread = $derived((assumption.spread ?? { kind: 'even' }) as Json);
  const days = $derived(
    ((spread.days ?? []) as { day: number; weight: number }[])
      .map((d) => (d.weight === 1 ? String(d.day) : `${d.day}×${d.weight}`))
      .join(', '),
  );
  const said = new Said();
  /** What a way of spreading begins with. */
  const SPREADS: Record<string, Json> = {
    even: { kind: 'even' },
    days: { kind: 'days', days: [{ day: 15, weight: 1 }] },
    weeks: { kind: 'weeks', weights: [1, 1, 1, 1, 1] },
  };

  function putTax(part: Json, words: string): Promise<string> {
    return save((now) => ({ ...now, tax: { rate: '0', gross: false, ...(now.tax as Json), ...part } }), words);
  }

  function putSpread(next: Json): Promise<string> {
    return save((now) => ({ ...now, spread: next }), 'days of the month chosen');
  }

  function setRate(typed: string) {
    const rate = readPercent(typed);
    return rate === null
      ? `'${typed}' is no percentage: type a number such as 20.`
      : putTax({ rate }, `sales tax ${rate}%`);
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
  <TypedField label="Sales tax %" class="w-[56px] text-right" value={String(tax.rate)} onput={setRate} />
  <label class="flex items-center h-[27px] gap-1.5 self-start">
    <input
      type="checkbox"
      checked={Boolean(tax.gross)}
      onchange={(e) => said.of(putTax({ gross: e.currentTarget.checked }, 'amounts with or without tax'))}
    />
    <span class="hush">amounts have the tax in them</span>
  </label>
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
    <TypedField
      name="Weights of the five weeks"
      class="w-[130px]"
      value={((spread.weights ?? []) as number[]).join(', ')}
      onput={setWeeks}
    />
  {/if}
</div>
{#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
