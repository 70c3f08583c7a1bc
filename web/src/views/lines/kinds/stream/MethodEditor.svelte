<script lang="ts">
  import ChoiceField from '../../../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../../../lib/fields/TypedField.svelte';
  import { addDays, monthStart } from '../../../../lib/dates';
  import { readPercent } from '../../../../lib/money';
  import { getPlan } from '../../../../lib/plan.svelte';
  import DatedRows from '../../parts/DatedRows.svelte';
  import CustomersMethod from './methods/CustomersMethod.svelte';
  import GrowthMonths from './methods/GrowthMonths.svelte';
  import { keyOf, METHODS, withMethod, type MethodKey } from './methods/methods';
  import ProductMethod from './methods/ProductMethod.svelte';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import StockMethod from './methods/StockMethod.svelte';
  import YearMethod from './methods/YearMethod.svelte';
  import type { Method, MethodOf, Save, Stream } from '../../save';

  interface Props {
    id: string;
    assumption: Stream;
    save: Save<Stream>;
  }

  let { id, assumption, save }: Props = $props();
  const plan = getPlan();
  const method = $derived(assumption.method);
  const others = $derived(plan.view!.lines.filter((line) => line.kind === 'stream' && line.id !== id));
  /** An amount first holds from the first month that is forecast. */
  const first = $derived(monthStart(addDays(plan.view!.tide.asOf, 1)));

  /** Puts a change of the method of a kind; one that was chosen away meanwhile stays as it is. */
  function of<K extends Method['kind']>(kind: K): Save<MethodOf<K>> {
    const isOfKind = (one: Method): one is MethodOf<K> => one.kind === kind;
    return (change, words) =>
      save((now) => (isOfKind(now.method) ? { ...now, method: change(now.method) } : now), words);
  }

  /** What was typed into the method before is put aside, and comes back with it. */
  function choose(key: MethodKey) {
    return (key === 'share' || key === 'stock') && !others[0]
      ? 'There is no other line by month to reckon from: add that one first.'
      : save((now) => withMethod(now, key, first, others[0]?.id ?? ''), 'method chosen');
  }

  function putPercent(typed: string, put: (percent: string) => Promise<string>) {
    const percent = readPercent(typed);
    return percent === null ? `'${typed}' is no percentage: type a number such as 12.5.` : put(percent);
  }
</script>

<div class="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1">
  <ChoiceField
    label="It is"
    name="It is"
    value={keyOf(method)}
    onput={choose}
    options={METHODS.map((one) => ({ value: one.key, name: one.name }))}
  />
  {#if method.kind === 'fixed'}
    <StepsEditor
      label="amount a month"
      steps={method.amount}
      {first}
      onchange={(change) => of('fixed')((now) => ({ ...now, amount: change(now.amount) }), 'amount set')}
    />
  {:else if method.kind === 'growth'}
    <StepsEditor
      label="base a month"
      steps={method.base}
      {first}
      onchange={(change) => of('growth')((now) => ({ ...now, base: change(now.base) }), 'base set')}
    />
    <TypedField
      label="growing % a month"
      class="w-[70px] text-right"
      value={method.growth}
      onput={(typed) => putPercent(typed, (growth) => of('growth')((now) => ({ ...now, growth }), `growth ${growth}%`))}
    />
    <GrowthMonths growthOf={method.growthOf} put={of('growth')} />
  {:else if method.kind === 'share'}
    <TypedField
      name="Share in percent"
      after="% of"
      class="w-[70px] text-right"
      value={method.share}
      onput={(typed) => putPercent(typed, (share) => of('share')((now) => ({ ...now, share }), `share ${share}%`))}
    />
    <ChoiceField
      name="The other line"
      value={method.line}
      onput={(line) => of('share')((now) => ({ ...now, line }), 'other line chosen')}
      options={others.map((line) => ({ value: line.id, name: line.name }))}
    />
  {:else if method.kind === 'product'}
    <ProductMethod {method} {first} put={of('product')} />
  {:else if method.kind === 'customers'}
    <CustomersMethod {method} {first} put={of('customers')} />
  {:else if method.kind === 'year'}
    <YearMethod {method} {first} put={of('year')} />
  {:else if method.kind === 'stock'}
    <StockMethod {method} {id} {first} put={of('stock')} />
  {:else if method.kind === 'dated'}
    <div class="basis-full">
      <DatedRows
        what="amount"
        rows={method.amounts}
        make={(row) => row}
        put={(change, words) => of('dated')((now) => ({ ...now, amounts: change(now.amounts) }), words)}
      />
    </div>
  {:else}
    <span class="hush pt-1"
      >Type or paste figures into the months below; a month left empty repeats the year before.</span
    >
  {/if}
</div>
