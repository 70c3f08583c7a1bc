<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import type { Schemas } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import type { Dialect } from './bringing.svelte';

  interface Props {
    file: Schemas['FileView'];
    onchange: (dialect: Dialect) => void;
  }

  let { file, onchange }: Props = $props();
  const plan = getPlan();
  const NONE: Dialect = {
    encoding: 'UTF_8',
    separator: ',',
    headerLines: 1,
    dateOrder: 'DAY_MONTH_YEAR',
    decimalMark: '.',
    columns: {
      bookingDate: 0,
      valueDate: -1,
      amount: 1,
      moneyOut: -1,
      moneyIn: -1,
      text: [],
      counterparty: -1,
      reference: -1,
      balance: -1,
      way: -1,
    },
  };
  const dialect = $derived(file.dialect ?? NONE);
  const width = $derived(Math.max(0, ...file.fields.map((row) => row.length)));
  const first = $derived(file.fields[dialect.headerLines]);
  const header = $derived(dialect.headerLines > 0 ? file.fields[dialect.headerLines - 1] : undefined);

  const TAB = '\t';

  type Role =
    | 'bookingDate'
    | 'valueDate'
    | 'amount'
    | 'moneyOut'
    | 'moneyIn'
    | 'text'
    | 'counterparty'
    | 'reference'
    | 'balance'
    | 'way'
    | '';
  const ROLES: { role: Role; name: string }[] = [
    { role: '', name: 'not used' },
    { role: 'bookingDate', name: 'booking date' },
    { role: 'valueDate', name: 'value date' },
    { role: 'amount', name: 'amount, signed' },
    { role: 'way', name: 'out or in' },
    { role: 'moneyOut', name: 'money out' },
    { role: 'moneyIn', name: 'money in' },
    { role: 'text', name: 'text' },
    { role: 'counterparty', name: 'counterparty' },
    { role: 'reference', name: 'reference' },
    { role: 'balance', name: 'running balance' },
  ];

  function roleOf(column: number): Role {
    if (dialect.columns.text.includes(column)) return 'text';
    return ROLES.find(({ role }) => role && role !== 'text' && dialect.columns[role] === column)?.role ?? '';
  }

  function setRole(column: number, role: Role) {
    const columns = { ...dialect.columns, text: dialect.columns.text.filter((at) => at !== column) };
    for (const other of ROLES) {
      if (other.role && other.role !== 'text' && columns[other.role] === column) columns[other.role] = -1;
    }
    if (role === 'text') columns.text = [...columns.text, column].sort((a, b) => a - b);
    else if (role) columns[role] = column;
    onchange({ ...dialect, columns });
  }

  function set(part: Partial<Dialect>) {
    onchange({ ...dialect, ...part });
  }
</script>

<div class="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
  <span class="hush">{file.remembered ? 'Read as last time for this account:' : 'Proposed from the file:'}</span>
  <ChoiceField
    label="separator"
    value={dialect.separator}
    onchoose={(separator) => set({ separator })}
    options={[
      { value: ',', name: 'comma' },
      { value: ';', name: 'semicolon' },
      { value: TAB, name: 'tab' },
      { value: '|', name: 'bar' },
    ]}
  />
  <ChoiceField
    label="letters"
    value={dialect.encoding}
    onchoose={(chosen) => set({ encoding: chosen })}
    options={[
      { value: 'UTF_8', name: 'UTF-8' },
      { value: 'WINDOWS_1252', name: 'Windows-1252' },
    ]}
  />
  <label>
    <span class="hush">lines before the first movement</span>
    <input
      class="small-field w-[46px] text-right"
      type="number"
      min="0"
      max="100"
      value={dialect.headerLines}
      onchange={(e) => set({ headerLines: Number(e.currentTarget.value) || 0 })}
    />
  </label>
  <ChoiceField
    label="dates"
    value={dialect.dateOrder}
    onchoose={(chosen) => set({ dateOrder: chosen })}
    options={[
      { value: 'DAY_MONTH_YEAR', name: 'day month year' },
      { value: 'MONTH_DAY_YEAR', name: 'month day year' },
      { value: 'YEAR_MONTH_DAY', name: 'year month day' },
    ]}
  />
  <ChoiceField
    label="decimals after"
    value={dialect.decimalMark}
    onchoose={(chosen) => set({ decimalMark: chosen })}
    options={[
      { value: '.', name: 'a point' },
      { value: ',', name: 'a comma' },
    ]}
  />
</div>
<div class="mb-2 overflow-x-auto">
  <table class="figures" aria-label="Columns of the file">
    <tbody>
      <tr>
        <th scope="row" class="words hush">holds</th>
        {#each { length: width } as _, column (column)}
          <td class="words">
            <ChoiceField
              name="What column {column + 1} holds"
              value={roleOf(column)}
              onchoose={(chosen) => setRole(column, chosen)}
              options={ROLES.map((one) => ({ value: one.role, name: one.name }))}
            />
          </td>
        {/each}
      </tr>
      {#each [header, first] as row, i (i)}
        {#if row}
          <tr class="hush">
            <th scope="row" class="words">{i === 0 ? 'heading' : 'first row'}</th>
            {#each { length: width } as _, column (column)}
              <td class="words max-w-[220px] overflow-hidden text-ellipsis">{row[column] ?? ''}</td>
            {/each}
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
</div>
{#if file.rows.length}
  <table class="figures" aria-label="Preview of the movements">
    <thead>
      <tr>
        <th scope="col">Line</th><th class="words" scope="col">Booked</th><th scope="col">Amount</th><th
          class="words"
          scope="col">Text</th
        >
        <th class="words" scope="col">Counterparty</th><th scope="col">Balance</th>
      </tr>
    </thead>
    <tbody>
      {#each file.rows.slice(0, 6) as row (row.line)}
        <tr>
          <td class="hush">{row.line}</td><td class="words">{longDay(row.bookingDate)}</td><td
            >{plan.money.full(row.minor)}</td
          >
          <td class="words max-w-[300px] overflow-hidden text-ellipsis">{row.text}</td><td class="words"
            >{row.counterparty}</td
          >
          <td>{row.balance === null ? '' : plan.money.full(row.balance)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#each file.problems.slice(0, 3) as problem (problem.line)}
  <p class="bad mt-1">Line {problem.line}: {problem.reason}</p>
{/each}
