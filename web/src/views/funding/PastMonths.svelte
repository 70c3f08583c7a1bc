<script lang="ts">
  import { addDays, addMonths, monthName, monthStart } from '../../lib/dates';
  import { grouped, noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';

  const plan = getPlan();
  const COLUMNS = [
    { field: 'ebitda', name: 'EBITDA' },
    { field: 'interest', name: 'Interest' },
    { field: 'tax', name: 'Tax paid' },
    { field: 'spending', name: 'Capital spending not financed' },
    { field: 'principal', name: 'Loans repaid' },
  ] as const;
  const NOTHING = { ebitda: '0', interest: '0', tax: '0', spending: '0', principal: '0' };
  const first = $derived(monthStart(addDays(plan.view!.tide.asOf, 1)));
  /** The eleven months before the forecast: the first test reads no more. */
  const months = $derived(Array.from({ length: 11 }, (_, i) => addMonths(first, i - 11).slice(0, 7)));
  const typed = $derived(plan.settings.pastMonths ?? {});

  async function put(month: string, field: keyof typeof NOTHING, text: string): Promise<string> {
    const read = text.trim() ? readAmount(text) : '0';
    if (read === null) return noAmount(text);
    const refused = await plan.putSettings((now) => {
      const past = now.pastMonths ?? {};
      return { ...now, pastMonths: { ...past, [month]: { ...NOTHING, ...past[month], [field]: read } } };
    });
    return refused?.detail ?? '';
  }
</script>

<table class="figures mt-2" aria-label="Months before the forecast">
  <thead>
    <tr>
      <th class="words" scope="col">Month</th>
      {#each COLUMNS as column (column.field)}<th class="words" scope="col">{column.name}</th>{/each}
    </tr>
  </thead>
  <tbody>
    {#each months as month (month)}
      <tr>
        <th class="words" scope="row">{monthName(month)} {month.slice(0, 4)}</th>
        {#each COLUMNS as column (column.field)}
          <td class="words"
            ><TypedField
              class="w-[110px] text-right"
              name="{column.name} of {month}"
              value={grouped(typed[month]?.[column.field] ?? '')}
              placeholder={typed[month] ? '0' : 'not known'}
              onput={(text) => put(month, column.field, text)}
            /></td
          >
        {/each}
      </tr>
    {/each}
  </tbody>
</table>
