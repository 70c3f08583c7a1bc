<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { grouped, noAmount, readAmount } from '../../lib/money';
  import { getPlan, type Settings } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import YearEvents from './YearEvents.svelte';
  import { debtRows, type YearsView } from './years';

  type Years = NonNullable<Settings['years']>;

  interface Props {
    view: YearsView;
    years: Years;
    onput: (how: (now: Years) => Years) => Promise<string>;
  }

  let { view, years, onput }: Props = $props();
  const plan = getPlan();
  let refusal = $state('');
  const debts = $derived(debtRows(years, plan.view!.lines, ['revolving']));

  /** A limit that holds from the first year on. */
  function setLimit(text: string): string | Promise<string> {
    const read = readAmount(text);
    const first = view.years[1]?.name;
    if (read === null || first === undefined) return noAmount(text);
    return onput((now) => ({ ...now, limit: { ...now.limit, [String(first)]: read } }));
  }

  async function propose() {
    const refused = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/years', {
          params: { path: { plan: plan.id }, query: { version, count: years.count } },
        }),
      ),
    );
    refusal = refused?.detail ?? '';
  }
</script>

<div class="mt-3 grid grid-cols-[360px_1fr] items-start gap-4">
  <section class="card" aria-label="Rules of the years">
    <b class="mb-1 block font-semibold">Rules</b>
    <ChoiceField
      label="Interest is on"
      value={years.meanBalance === false ? 'opening' : 'mean'}
      options={[
        { value: 'mean', name: 'the mean of opening and closing' },
        { value: 'opening', name: 'the opening balance' },
      ]}
      onput={(on) => onput((now) => ({ ...now, meanBalance: on === 'mean' }))}
    />
    <ChoiceField
      label="Days are over"
      value={years.calendarDays ? 'calendar' : '365'}
      options={[
        { value: '365', name: '365' },
        { value: 'calendar', name: "the calendar's" },
      ]}
      onput={(of) => onput((now) => ({ ...now, calendarDays: of === 'calendar' }))}
    />
    <ChoiceField
      label="A loss"
      value={years.lossesRefunded ? 'refunded' : 'carried'}
      options={[
        { value: 'carried', name: 'lowers the tax of later years' },
        { value: 'refunded', name: 'is refunded' },
      ]}
      onput={(of) => onput((now) => ({ ...now, lossesRefunded: of === 'refunded' }))}
    />
    <ChoiceField
      label="Drawn first"
      name="Facility that is drawn first"
      value={years.facility ?? ''}
      options={[{ value: '', name: 'short-term borrowing' }, ...debts]}
      onput={(row) => onput(({ facility: _was, ...now }) => (row ? { ...now, facility: row } : now))}
    />
    {#if years.facility && years.lastYear}
      <TypedField
        class="w-[110px] text-right"
        label="up to a limit of"
        name="Limit of the facility that is drawn first"
        value={grouped(years.limit?.[String(view.years[1]?.name)] ?? '0')}
        onput={setLimit}
      />
    {/if}
    <p class="mt-2"><Act onclick={() => void propose()}>Propose all drivers from the last year</Act></p>
    <Refusal words={refusal} class="mt-1" />
  </section>
  <YearEvents {view} {years} {onput} />
</div>
