<script lang="ts">
  import { monthStart, readDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import StepsEditor from '../lines/StepsEditor.svelte';
  import type { Json, StepJson } from '../lines/save';
  import Field from '../setup/Field.svelte';

  const plan = getPlan();
  const settings = $derived(plan.settings);
  const facility = $derived(settings.facility as { name: string; limit: StepJson[] } | undefined);
  let refusals = $state<Record<string, string>>({});
  const DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
  const MONTHS = [
    'january',
    'february',
    'march',
    'april',
    'may',
    'june',
    'july',
    'august',
    'september',
    'october',
    'november',
    'december',
  ];

  async function put(field: string, part: Json): Promise<string> {
    refusals[field] = (await plan.putSettings(part))?.detail ?? '';
    return refusals[field];
  }

  function setAsOf(typed: string) {
    const day = readDay(typed);
    if (day) void put('asOf', { asOf: day });
    else refusals.asOf = `'${typed}' is no date: type one such as 2026-03-08 or 8/3/2026.`;
  }

  function setHorizon(typed: string) {
    if (/^\d+$/.test(typed.trim())) void put('horizon', { horizonMonths: Number(typed) });
    else refusals.horizon = `'${typed}' is no whole number: type the months to look ahead, from 1 to 72.`;
  }

  function setCounted(field: string, certainty: string, on: boolean) {
    const counted = (settings[field] as string[]).filter((one) => one !== certainty);
    void put(field, { [field]: on ? [...counted, certainty] : counted });
  }
</script>

<section class="card" aria-label="Settings">
  <div class="flex flex-wrap items-start gap-x-4 gap-y-2">
    <Field label="Name" refusal={refusals.name}>
      <input
        class="small-field w-[220px]"
        maxlength="120"
        value={settings.name}
        onchange={(e) => void put('name', { name: e.currentTarget.value })}
      />
    </Field>
    <Field label="As-of date" refusal={refusals.asOf}>
      <input class="small-field w-[112px]" value={settings.asOf} onchange={(e) => setAsOf(e.currentTarget.value)} />
    </Field>
    <Field label="Months ahead" refusal={refusals.horizon}>
      <input
        class="small-field w-[60px] text-right"
        value={settings.horizonMonths}
        onchange={(e) => setHorizon(e.currentTarget.value)}
      />
    </Field>
    <Field label="Weeks begin on">
      <select
        class="small-field"
        value={settings.firstDayOfWeek}
        onchange={(e) => void put('week', { firstDayOfWeek: e.currentTarget.value })}
      >
        {#each DAYS as day (day)}<option>{day}</option>{/each}
      </select>
    </Field>
    <Field label="Fiscal year begins in">
      <select
        class="small-field"
        value={settings.firstFiscalMonth}
        onchange={(e) => void put('month', { firstFiscalMonth: e.currentTarget.value })}
      >
        {#each MONTHS as month (month)}<option>{month}</option>{/each}
      </select>
    </Field>
  </div>
  <div class="mt-3 flex flex-col gap-2">
    <StepsEditor
      label="minimum cash"
      steps={(settings.minimumCash ?? []) as StepJson[]}
      first={monthStart(String(settings.asOf))}
      onchange={(minimumCash) => put('minimum', { minimumCash })}
    />
    <StepsEditor
      label={facility ? `limit of ${facility.name}` : 'overdraft limit'}
      steps={facility?.limit ?? []}
      first={monthStart(String(settings.asOf))}
      onchange={(limit) => put('limit', { facility: { name: facility?.name ?? 'Overdraft', limit } })}
    />
    {#each [{ field: 'countedReceipts', name: 'Receipts that count' }, { field: 'countedPayments', name: 'Payments that count' }] as one (one.field)}
      <div class="flex items-center gap-3">
        <span class="hush w-[140px]">{one.name}</span>
        {#each ['certain', 'likely', 'possible'] as certainty (certainty)}
          <label class="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={(settings[one.field] as string[]).includes(certainty)}
              onchange={(e) => setCounted(one.field, certainty, e.currentTarget.checked)}
            />
            {certainty}
          </label>
        {/each}
      </div>
    {/each}
  </div>
</section>
