<script lang="ts">
  import TypedField from '../../../../../lib/fields/TypedField.svelte';
  import { addMonths, monthName, MONTHS_IN_FULL, type Day } from '../../../../../lib/dates';
  import { grouped, noAmount, readAmount, readPercent } from '../../../../../lib/money';
  import { getPlan } from '../../../../../lib/plan.svelte';
  import type { MethodOf, Save } from '../../../save';

  interface Props {
    method: MethodOf<'year'>;
    first: Day;
    put: Save<MethodOf<'year'>>;
  }

  let { method, first, put }: Props = $props();
  const plan = getPlan();
  const begins = $derived(MONTHS_IN_FULL.findIndex((month) => month === plan.settings.firstFiscalMonth));
  const totals = $derived(method.totals);
  const weights = $derived(method.weights);
  /** The fiscal year of the first month that is forecast, and three after it, with whatever else has a total. */
  const years = $derived.by(() => {
    const now = Number(first.slice(0, 4)) - (Number(first.slice(5, 7)) - 1 < begins ? 1 : 0);
    return [...new Set([...Object.keys(totals).map(Number), now, now + 1, now + 2])].sort((a, b) => a - b);
  });

  function monthOf(i: number): string {
    return monthName(addMonths(`2026-${String(begins + 1).padStart(2, '0')}-01`, i));
  }

  function setTotal(year: number, typed: string) {
    const total = readAmount(typed);
    if (total === null && typed.trim() !== '') return noAmount(typed);
    return put(
      (now) => {
        const next = { ...now.totals };
        if (total === null) delete next[year];
        else next[year] = total;
        return { ...now, totals: next };
      },
      `total of ${year} ${total ?? 'taken out'}`,
    );
  }

  function setGrowth(typed: string) {
    const yearlyGrowth = readPercent(typed);
    return yearlyGrowth === null
      ? `'${typed}' is no percentage: type a number such as 3.`
      : put((now) => ({ ...now, yearlyGrowth }), `${yearlyGrowth}% more each year`);
  }

  function setWeight(i: number, typed: string) {
    return /^\d{1,7}$/.test(typed.trim())
      ? put(
          (now) => ({ ...now, weights: now.weights.map((w, at) => (at === i ? Number(typed) : w)) }),
          `weight of ${monthOf(i)} ${typed}`,
        )
      : `'${typed}' is no weight: type a whole number such as 1, or 0 for a month without any.`;
  }
</script>

<div class="flex basis-full flex-col gap-1">
  <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
    {#each years as year (year)}
      <TypedField
        label="year from {monthOf(0)} {year}"
        class="w-[110px] text-right"
        placeholder="no total"
        value={totals[year] ? grouped(totals[year]) : ''}
        onput={(typed) => setTotal(year, typed)}
      />
    {/each}
    <TypedField
      label="later years"
      after="% more each year"
      name="Later years, more each year in %"
      class="w-[56px] text-right"
      value={method.yearlyGrowth}
      onput={setGrowth}
    />
  </div>
  <div class="flex flex-wrap items-end gap-x-2 gap-y-1">
    <span class="hush pb-1">parts of each month</span>
    {#each weights as weight, i (i)}
      <TypedField
        label={monthOf(i)}
        above
        name="Part of {monthOf(i)}"
        class="w-[54px] text-right"
        value={String(weight)}
        onput={(typed) => setWeight(i, typed)}
      />
    {/each}
  </div>
</div>
