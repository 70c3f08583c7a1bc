<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { MONTHS_IN_FULL, monthStart, noDay, readDay, WEEKDAYS } from '../../lib/dates';
  import { getPlan, type Settings } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import StepsEditor from '../lines/parts/StepsEditor.svelte';
  import type { Step } from '../lines/save';
  import { Said } from '../../lib/said.svelte';
  import MovePlan from './MovePlan.svelte';
  import PaymentRunFields from './PaymentRunFields.svelte';

  const plan = getPlan();
  const settings = $derived(plan.settings);
  const facility = $derived(settings.facility);
  const said = new Said();
  const COUNTED = [
    { field: 'countedReceipts', name: 'Receipts that count' },
    { field: 'countedPayments', name: 'Payments that count' },
  ] as const;
  const CERTAINTIES = ['certain', 'likely', 'possible'] as const;

  async function change(by: (now: Settings) => Partial<Settings>): Promise<string> {
    return (await plan.putSettings((now) => ({ ...now, ...by(now) })))?.detail ?? '';
  }

  function put(part: Partial<Settings>): Promise<string> {
    return change(() => part);
  }

  function setAsOf(typed: string) {
    const day = readDay(typed);
    return day ? put({ asOf: day }) : noDay(typed);
  }

  function setHorizon(typed: string) {
    return /^\d+$/.test(typed.trim())
      ? put({ horizonMonths: Number(typed) })
      : `'${typed}' is no whole number: type the months to look ahead, from 1 to 72.`;
  }

  function setFacility(field: 'limit' | 'rate', by: (now: Step[]) => Step[]): Promise<string> {
    return change((now) => {
      const facility = { name: 'Overdraft', limit: [], rate: [], ...now.facility };
      return { facility: { ...facility, [field]: by(facility[field]) } };
    });
  }

  function setCounted(
    field: 'countedReceipts' | 'countedPayments',
    certainty: Settings['countedReceipts'][number],
    on: boolean,
  ) {
    void said.of(
      change((now) => {
        const others = now[field].filter((one) => one !== certainty);
        return { [field]: on ? [...others, certainty] : others };
      }),
    );
  }
</script>

<section class="card" aria-label="Settings">
  <div class="flex flex-wrap items-start gap-x-4 gap-y-2">
    <TypedField
      label="Name"
      above
      class="w-[220px]"
      maxlength={120}
      value={String(settings.name)}
      onput={(name) => put({ name })}
    />
    <TypedField label="As-of date" above class="w-[112px]" value={String(settings.asOf)} onput={setAsOf} />
    <TypedField
      label="Months ahead"
      above
      class="w-[60px] text-right"
      value={String(settings.horizonMonths)}
      onput={setHorizon}
    />
    <ChoiceField
      above
      label="Weeks begin on"
      value={settings.firstDayOfWeek}
      onput={(chosen) => put({ firstDayOfWeek: chosen })}
      options={WEEKDAYS}
    />
    <ChoiceField
      above
      label="Fiscal year begins in"
      value={settings.firstFiscalMonth}
      onput={(chosen) => put({ firstFiscalMonth: chosen })}
      options={MONTHS_IN_FULL}
    />
    <ChoiceField
      above
      label="A new amount inside a month"
      value={settings.amountSteps}
      onput={(chosen) => put({ amountSteps: chosen })}
      options={[
        { value: 'first-day', name: 'counts from the next month' },
        { value: 'by-days', name: 'counts by days' },
      ]}
    />
  </div>
  <div class="mt-3 flex flex-col gap-2">
    <StepsEditor
      label="minimum cash"
      steps={settings.minimumCash ?? []}
      first={monthStart(String(settings.asOf))}
      onchange={(by) => change((now) => ({ minimumCash: by(now.minimumCash) }))}
    />
    <StepsEditor
      label={facility ? `limit of ${facility.name}` : 'overdraft limit'}
      steps={facility?.limit ?? []}
      first={monthStart(String(settings.asOf))}
      onchange={(by) => setFacility('limit', by)}
    />
    <StepsEditor
      label={facility ? `rate of ${facility.name}, % a year` : 'overdraft rate, % a year'}
      steps={facility?.rate ?? []}
      first={monthStart(String(settings.asOf))}
      onchange={(by) => setFacility('rate', by)}
    />
    <StepsEditor
      label="what cash earns, % a year"
      steps={settings.cashRate ?? []}
      first={monthStart(String(settings.asOf))}
      onchange={(by) => change((now) => ({ cashRate: by(now.cashRate) }))}
    />
    <PaymentRunFields {settings} {put} />
    <TypedField
      label="A month of invoices or bills is closed"
      class="w-[48px] text-right"
      value={String(settings.closedAfter ?? 0)}
      after="days after its end"
      onput={(typed) =>
        /^\d+$/.test(typed.trim())
          ? put({ closedAfter: Number(typed) })
          : `'${typed}' is no whole number: type the days, from 0 to 60.`}
    />
    {#each COUNTED as one (one.field)}
      <div class="flex items-center gap-3">
        <span class="hush w-[140px]">{one.name}</span>
        {#each CERTAINTIES as certainty (certainty)}
          <label class="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={settings[one.field]?.includes(certainty)}
              onchange={(e) => setCounted(one.field, certainty, e.currentTarget.checked)}
            />
            {certainty}
          </label>
        {/each}
      </div>
    {/each}
    <MovePlan />
    <Refusal words={said.words} />
  </div>
</section>
