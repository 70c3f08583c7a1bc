<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { grouped } from '../../lib/money';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { readField, shown, type TypedSpec } from '../lines/parts/fields';
  import { FIELDS, put, withYears, type Assumed } from './long';

  interface Props {
    assumed: Assumed;
    /** Puts other assumptions in force, or none; gives the refusal, or nothing. */
    onput: (assumed: Assumed | null) => Promise<string>;
  }

  let { assumed, onput }: Props = $props();

  const GROWTH: TypedSpec = { kind: 'percent', field: 'growth', label: 'growth' };
  const SPENDING: TypedSpec = { kind: 'amount', field: 'capitalSpending', label: 'capital spending' };

  async function set(spec: TypedSpec, text: string, next: (value: string) => Assumed): Promise<string> {
    const typed = readField(spec, text);
    return 'refusal' in typed ? typed.refusal : onput(next(String(typed.value)));
  }
</script>

<section class="card" aria-label="What is assumed of the years">
  <div class="mb-2 flex items-center">
    <span class="flex-1"
      ><ChoiceField
        label="Years after the first"
        name="Years after the first"
        value={assumed.growth.length}
        onput={(chosen) => onput(withYears(assumed, chosen))}
        options={[1, 2, 3, 4, 5]}
      /></span
    >
    <button class="hush underline" onclick={() => void onput(null)}>Take out</button>
  </div>
  <table class="figures">
    <thead>
      <tr><th class="words" scope="col">Year</th><th scope="col">Growth, %</th><th scope="col">Capital spending</th></tr
      >
    </thead>
    <tbody>
      {#each assumed.growth as growth, i (i)}
        <tr>
          <th class="words" scope="row">{i + 2}</th>
          <td
            ><TypedField
              class="w-[70px] text-right"
              name="Growth of year {i + 2}"
              value={growth}
              onput={(text) => set(GROWTH, text, (value) => ({ ...assumed, growth: put(assumed.growth, i, value) }))}
            /></td
          >
          <td
            ><TypedField
              class="w-[100px] text-right"
              name="Capital spending of year {i + 2}"
              value={grouped(assumed.capitalSpending[i] ?? '0')}
              onput={(text) =>
                set(SPENDING, text, (value) => ({
                  ...assumed,
                  capitalSpending: put(assumed.capitalSpending, i, value),
                }))}
            /></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  {#each FIELDS as spec (spec.field)}
    <div class="mt-1.5 flex items-center justify-between gap-2">
      <span class="hush" aria-hidden="true">{spec.label}</span>
      <TypedField
        class="w-[100px] text-right"
        name={spec.label}
        value={shown(spec, assumed[spec.field])}
        onput={(text) => set(spec, text, (value) => ({ ...assumed, [spec.field]: value }))}
      />
    </div>
  {/each}
</section>
