<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, fileForm } from '../../lib/api';
  import BringRows from '../../lib/BringRows.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import LastYearRows from './LastYearRows.svelte';
  import type { LastYear, YearsView } from './years';

  interface Props {
    view: YearsView;
    last: LastYear;
    /** Changes the last year as edits still under way leave it; gives the refusal, or nothing. */
    onput: (how: (now: LastYear) => LastYear) => Promise<string>;
  }

  let { view, last, onput }: Props = $props();
  const plan = getPlan();
  const SIDES = [
    { name: 'Income statement', parts: ['income', 'paid-out', 'spent'] },
    { name: 'Assets', parts: ['assets'] },
    { name: 'Owed, and equity', parts: ['owed', 'equity'] },
  ];

  const read = (file: Blob) =>
    answer(
      api.POST('/api/plans/{plan}/years/read', {
        params: { path: { plan: plan.id }, query: { end: last.end } },
        ...fileForm(file, 'last-year.csv'),
      }),
    );

  function place() {
    const placed = { id: 'retained', name: 'Retained profit', row: 'retained' as const };
    const amount = view.placed;
    void onput((now) => ({
      ...now,
      rows: now.rows.some((one) => one.row === 'retained')
        ? now.rows.map((one) => (one.row === 'retained' ? { ...one, amount } : one))
        : [...now.rows, { ...placed, amount }],
    }));
  }
</script>

<section class="card mb-3" aria-label="Last year">
  <div class="flex flex-wrap items-center gap-3">
    <TypedField
      label="The last year ends on"
      name="Last day of the last year"
      value={last.end}
      onput={(end) => onput((now) => ({ ...now, end: end.trim() }))}
    />
    <TypedField
      label="and has"
      name="Days of the last year"
      after="days"
      class="w-[60px] text-right"
      value={String(last.days ?? 365)}
      onput={(days) =>
        /^\d+$/.test(days.trim())
          ? onput((now) => ({ ...now, days: Number(days) }))
          : `'${days}' is no number of days: type one such as 365.`}
    />
    <span class="flex-1"></span>
    {#if view.unplaced !== 0}
      <span>It lacks {plan.money.full(view.unplaced)} to balance.</span>
      <Act onclick={place}>Place it in retained profit</Act>
    {:else}<span role="status">It balances.</span>{/if}
  </div>
  <BringRows
    of="the last year"
    hint="A name and an amount in each row; what it is before them where its name does not say it."
    {read}
    count={(got) => got.lastYear.rows.length}
    ontake={(got) => onput((now) => ({ ...now, rows: got.lastYear.rows }))}
  />
</section>
<div class="grid grid-cols-3 items-start gap-3">
  {#each SIDES as side (side.name)}
    <LastYearRows name={side.name} kinds={view.kinds.filter((kind) => side.parts.includes(kind.part))} {last} {onput} />
  {/each}
</div>
