import type { Schemas } from '../../lib/api';
import { readAmount } from '../../lib/money';

export type YearsView = Schemas['YearsView'];
export type DriverRow = Schemas['DriverRow'];
export type LastYear = Schemas['lastYear'];
export type LastYearRow = Schemas['lastYearRow'];

/** What is shown of years. */
export const PARTS = [
  { value: 'drivers', name: 'Drivers' },
  { value: 'income', name: 'Income' },
  { value: 'balance', name: 'Balance sheet' },
  { value: 'cash-flow', name: 'Cash flow' },
  { value: 'need', name: 'Need' },
  { value: 'last', name: 'Last year' },
] as const;

export type YearsPart = (typeof PARTS)[number]['value'];

/**
 * A row of the sheet of drivers: a part of what a row follows from, the first of which bears the name; without values
 * where nothing is typed for it.
 */
export interface ValueRow {
  row: DriverRow;
  values?: DriverRow['values'][number];
  first: boolean;
}

/** The rows of the sheet one by one. */
export function valueRows(drivers: DriverRow[]): ValueRow[] {
  return drivers.flatMap((row): ValueRow[] =>
    row.values.length ? row.values.map((values, i) => ({ row, values, first: i === 0 })) : [{ row, first: true }],
  );
}

/** A value as it is typed: an amount may be grouped or short, a percentage and days bear no sign. */
export function readValue(text: string, measure: string): string | null {
  const plain = text.trim();
  if (!plain) return '';
  if (measure === 'money') return readAmount(plain);
  const number = plain
    .replace(/\u2212/g, '-')
    .replace(/%$/, '')
    .trim();
  return /^-?\d+(\.\d+)?$/.test(number) ? number : null;
}

/** What a block types into the sheet, cell by cell; or a refusal in words. */
export type Typed = { values: Schemas['DriverValue'][] } | { refusal: string };

/** Reads a block of tab-separated figures as it falls on the sheet of drivers, its first cell on a row and a year. */
export function readBlock(text: string, top: number, left: number, rows: readonly ValueRow[], years: number[]): Typed {
  const block = text
    .replace(/\r/g, '')
    .replace(/\n+$/, '')
    .split('\n')
    .map((line) => line.split('\t'));
  const values: Schemas['DriverValue'][] = [];
  for (const [r, cells] of block.entries()) {
    for (const [c, cell] of cells.entries()) {
      const at = rows[top + r];
      const year = years[left + c];
      if (!at || year === undefined)
        return { refusal: 'The block reaches beyond the sheet. Nothing was changed: add years, or paste less.' };
      if (!at.values) {
        if (!cell.trim()) continue;
        return {
          refusal: `${at.row.name} follows from nothing that is typed: choose first what it follows from. Nothing was changed.`,
        };
      }
      const value = readValue(cell, at.values.measure);
      if (value === null)
        return {
          refusal: `'${cell.trim()}' is no number for ${at.row.name}, ${at.values.words}. Nothing was changed.`,
        };
      values.push({ row: at.row.id, part: at.values.part, year, text: value });
    }
  }
  return { values };
}

/** So many years are begun with. */
export const BEGUN = 5;

/** Whether a plan is of years alone: from a last year of its own, with nothing planned by month. */
export function isYearsOnly(settings: { years?: { lastYear?: unknown } | null }, lines: number): boolean {
  return lines === 0 && !!settings.years?.lastYear;
}

/** The usual rows of a last year, to be filled in. */
export const USUAL: readonly LastYearRow[] = [
  { id: 'sales', name: 'Sales', row: 'sales', amount: '0' },
  { id: 'cost', name: 'Cost of sales', row: 'cost-of-sales', amount: '0' },
  { id: 'overheads', name: 'Overheads', row: 'overhead', amount: '0' },
  { id: 'depreciation', name: 'Depreciation', row: 'depreciation', amount: '0' },
  { id: 'interest', name: 'Interest on debt', row: 'interest', amount: '0' },
  { id: 'profit-tax', name: 'Profit tax', row: 'profit-tax', amount: '0' },
  { id: 'dividends', name: 'Dividends', row: 'dividends', amount: '0' },
  { id: 'cash', name: 'Cash', row: 'cash', amount: '0' },
  { id: 'receivables', name: 'Receivables', row: 'receivables', amount: '0' },
  { id: 'stock', name: 'Stock', row: 'stock', amount: '0' },
  { id: 'gross-assets', name: 'Fixed assets, gross', row: 'gross-assets', amount: '0' },
  { id: 'accumulated', name: 'Accumulated depreciation', row: 'accumulated', amount: '0' },
  { id: 'payables', name: 'Payables', row: 'payables', amount: '0' },
  { id: 'tax-owed', name: 'Profit tax owed', row: 'tax-owed', amount: '0' },
  { id: 'long-term-debt', name: 'Long-term debt', row: 'debt', amount: '0' },
  { id: 'short-term', name: 'Short-term borrowing', row: 'short-term', amount: '0' },
  { id: 'capital', name: 'Capital paid in', row: 'capital', amount: '0' },
  { id: 'retained', name: 'Retained profit', row: 'retained', amount: '0' },
];

/** What is worked out of other rows is not typed over. */
const WORKED_OUT = ['spending', 'cash', 'interest', 'interest-on-cash', 'profit-tax', 'tax-owed', 'dividends'];

/** Whether a figure of a row can be typed over: one that follows from a driver of its own. */
export function canBeTypedOver(view: YearsView, row: string): boolean {
  return !WORKED_OUT.includes(row) && view.drivers.some((one) => one.id === row);
}

/** The last whole calendar year that is over on a day. */
export function lastYearEnd(asOf: string): string {
  return asOf.endsWith('-12-31') ? asOf : `${Number(asOf.slice(0, 4)) - 1}-12-31`;
}

type Years = NonNullable<Schemas['settings']['years']>;

/** Years with another last year: what was said of rows that it has not goes with them. */
export function withLast(years: Years, last: LastYear, kinds: YearsView['kinds']): Years {
  const there = new Set([...last.rows.map((row) => row.id), ...kinds.filter((one) => !one.many).map((one) => one.row)]);
  const { facility, ...rest } = years;
  return {
    ...rest,
    ...(facility && there.has(facility) ? { facility } : {}),
    lastYear: last,
    drivers: years.drivers.filter(
      ({ row, by }) => there.has(row) && (by.kind !== 'share' || !by.of || by.of === 'year-before' || there.has(by.of)),
    ),
    overrides: (years.overrides ?? []).filter((one) => there.has(one.row)),
    debts: (years.debts ?? []).filter((one) => !one.row || there.has(one.row)),
  };
}

/** The debts that are there when years begin, by their rows: those of the last year, or of the plan's lines of some kinds. */
export function debtRows(
  years: Years,
  lines: readonly { id: string; name: string; kind: string }[],
  kinds: readonly string[],
): { value: string; name: string }[] {
  return years.lastYear
    ? years.lastYear.rows.filter((row) => row.row === 'debt').map((row) => ({ value: row.id, name: row.name }))
    : lines.filter((line) => kinds.includes(line.kind)).map((line) => ({ value: `debt ${line.id}`, name: line.name }));
}

/** A row more of a kind, with an id that no other has. */
export function withRow(last: LastYear, kind: YearsView['kinds'][number]): LastYear {
  const taken = new Set(last.rows.map((one) => one.id));
  let id = kind.row;
  for (let i = 2; kind.many && (taken.has(id) || i === 2); i++) id = `${kind.row}-${i - 1}`;
  return { ...last, rows: [...last.rows, { id, name: kind.name, row: kind.row as LastYearRow['row'], amount: '0' }] };
}

/** A last year with parts of a row changed, the rest of it as it is; or without the row. */
export function putRow(last: LastYear, id: string, parts: Partial<LastYearRow> | undefined): LastYear {
  return { ...last, rows: last.rows.flatMap((one) => (one.id !== id ? [one] : parts ? [{ ...one, ...parts }] : [])) };
}

/** A last year in which nothing ends the debt of a row. */
export function withoutEnd(last: LastYear, id: string): LastYear {
  return { ...last, rows: last.rows.map(({ ends, ...one }) => (one.id === id || !ends ? one : { ...one, ends })) };
}
