<script lang="ts">
  import type { LineView } from '../../../../lib/api';
  import { fullDay, monthName } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { CONVENTION, monthChoice } from '../../parts/choices';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import type { EditorProps } from '../kind';
  import OtherDays from './OtherDays.svelte';
  import OwedField from '../../parts/OwedField.svelte';

  let { assumption, view, save }: EditorProps<'sales-tax'> = $props();
  const periods = $derived(view.tax);
  const plan = getPlan();
  const CALENDAR: FieldSpec[] = [
    {
      kind: 'choice',
      field: 'months',
      label: 'Months of a tax period',
      options: [1, 2, 3, 4, 6, 12].map((n) => ({ value: n, name: String(n) })),
    },
    monthChoice('firstMonth', 'one begins in'),
    { kind: 'whole', field: 'day', label: 'settled on day' },
    { kind: 'whole', field: 'monthsAfter', label: 'of month', after: 'after it' },
    { kind: 'whole', field: 'refundDays', label: 'a refund comes', after: 'days later' },
  ];
  const RULES: FieldSpec[] = [
    {
      kind: 'choice',
      field: 'point',
      label: 'Tax counts',
      options: [
        { value: 'invoice', name: 'when it is billed' },
        { value: 'cash', name: 'when it is paid' },
      ],
    },
    { kind: 'flag', field: 'relief', label: 'what is written off lowers it' },
    CONVENTION,
  ];

  function put(part: Part, words: string): Promise<string> {
    return save((now) => changed(now, part), words);
  }

  function setOwed(last: string, amount: string | null) {
    return save(
      (now) => ({ ...now, owed: changed(now.owed, { [last]: amount }) }),
      `owed for the period to ${last} ${amount ?? 'taken out'}`,
    );
  }

  function span(period: LineView['tax'][number]): string {
    const last = `${monthName(period.last)} ${period.last.slice(0, 4)}`;
    return period.first === period.last ? last : `${monthName(period.first)} to ${last}`;
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields specs={CALENDAR} of={assumption} {put} />
  <OtherDays {assumption} {save} />
  <Fields specs={RULES} of={assumption} {put} />
</div>
<div class="card mb-2.5">
  <div class="mb-1 flex items-baseline gap-3">
    <b class="font-semibold">Tax by period</b>
    <span class="hush flex-1">on receipts less what is claimed back on payments; every line that bears tax counts</span>
  </div>
  <table class="figures">
    <thead>
      <tr>
        <th class="words" scope="col">Period</th>
        <th class="words" scope="col">Owed on the as-of date</th>
        <th scope="col">on receipts<small>after it</small></th>
        <th scope="col">on payments<small>after it</small></th>
        <th scope="col">to pay</th>
        <th class="words" scope="col">on</th>
      </tr>
    </thead>
    <tbody>
      {#each periods as period (period.last)}
        <tr>
          <th scope="row" class="words">{span(period)}</th>
          <td class="words">
            {#if period.begun}
              <OwedField
                name="Owed for {span(period)}"
                owed={period.owed}
                proposed={period.proposed}
                put={(amount) => setOwed(period.last, amount)}
              />
            {/if}
          </td>
          <td class="estimated">{plan.money.full(period.output)}</td>
          <td class="estimated">{plan.money.full(-period.input)}</td>
          <td class="estimated font-[650]">{plan.money.full(period.balance)}</td>
          <td class="words">{fullDay(period.settled)}{period.balance < 0 ? ', refunded' : ''}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if periods.some((period) => period.begun && period.owed === null)}
    <p class="hush mt-1">
      A figure to take is what the plan and its history make of the days up to the as-of date. The books may know
      better.
    </p>
  {/if}
</div>
