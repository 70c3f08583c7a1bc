import { noAmount, readAmount, readPercent } from '../../lib/money';

/** What is assumed of the years after the months, as the settings hold it. */
export interface Assumed {
  growth: string[];
  capitalSpending: string[];
  variable: string;
  fixed: string;
  fixedGrowth: string;
  daysOfSales: number;
  daysOfStock: number;
  daysOfPayables: number;
  depreciation: string;
  interest: string;
  tax: string;
  payout: string;
}

/** The assumptions that are one figure for all years, and what is typed for them. */
export const FIELDS = [
  { field: 'variable', name: 'Costs that vary, % of sales', kind: 'percent' },
  { field: 'fixed', name: 'Costs that do not, first year', kind: 'amount' },
  { field: 'fixedGrowth', name: 'their growth, % a year', kind: 'percent' },
  { field: 'daysOfSales', name: 'Days of sales (DSO)', kind: 'days' },
  { field: 'daysOfStock', name: 'Days of stock (DIO)', kind: 'days' },
  { field: 'daysOfPayables', name: 'Days of payables (DPO)', kind: 'days' },
  { field: 'depreciation', name: 'Depreciation, % of fixed assets', kind: 'percent' },
  { field: 'interest', name: 'Interest, % of debt a year', kind: 'percent' },
  { field: 'tax', name: 'Profit tax, %', kind: 'percent' },
  { field: 'payout', name: 'Paid out, % of profit', kind: 'percent' },
] as const;

type Typed = { value: string | number } | { refusal: string };

/** Reads what was typed for a figure of a kind. */
export function read(kind: 'percent' | 'amount' | 'days', text: string): Typed {
  if (kind === 'amount') {
    const amount = readAmount(text);
    return amount === null ? { refusal: noAmount(text) } : { value: amount };
  }
  if (kind === 'percent') {
    const percent = readPercent(text);
    return percent === null
      ? { refusal: `'${text}' is no percentage: type a number such as 12.5.` }
      : { value: percent };
  }
  return /^\d{1,3}$/.test(text.trim())
    ? { value: Number(text) }
    : { refusal: `'${text}' is no number of days: type a whole number such as 45.` };
}

/** The assumptions with one year more, which goes on as the last, or one less. */
export function withYears(assumed: Assumed, count: number): Assumed {
  const fit = (values: string[]) => Array.from({ length: count }, (_, i) => values[i] ?? values.at(-1) ?? '0');
  return { ...assumed, growth: fit(assumed.growth), capitalSpending: fit(assumed.capitalSpending) };
}

/** A list with one of its values changed. */
export function put(values: string[], at: number, value: string): string[] {
  return values.map((one, i) => (i === at ? value : one));
}
