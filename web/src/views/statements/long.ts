import type { Schemas } from '../../lib/api';
import type { TypedSpec } from '../lines/parts/fields';

/** What is assumed of the years after the months, as the settings hold it. */
export type Assumed = Schemas['longRange'];

/** The assumptions that are one figure for all years, and what is typed for them. */
export const FIELDS: readonly (TypedSpec & { field: keyof Assumed })[] = [
  { field: 'variable', label: 'Costs that vary, % of sales', kind: 'percent' },
  { field: 'fixed', label: 'Costs that do not, first year', kind: 'amount' },
  { field: 'fixedGrowth', label: 'their growth, % a year', kind: 'percent' },
  { field: 'daysOfSales', label: 'Days of sales (DSO)', kind: 'whole' },
  { field: 'daysOfStock', label: 'Days of stock (DIO)', kind: 'whole' },
  { field: 'daysOfPayables', label: 'Days of payables (DPO)', kind: 'whole' },
  { field: 'depreciation', label: 'Depreciation, % of fixed assets', kind: 'percent' },
  { field: 'interest', label: 'Interest, % of debt a year', kind: 'percent' },
  { field: 'tax', label: 'Profit tax, %', kind: 'percent' },
  { field: 'payout', label: 'Paid out, % of profit', kind: 'percent' },
];

/** The assumptions with one year more, which goes on as the last, or one less. */
export function withYears(assumed: Assumed, count: number): Assumed {
  const fit = (values: string[]) => Array.from({ length: count }, (_, i) => values[i] ?? values.at(-1) ?? '0');
  return { ...assumed, growth: fit(assumed.growth), capitalSpending: fit(assumed.capitalSpending) };
}

/** A list with one of its values changed. */
export function put(values: string[], at: number, value: string): string[] {
  return values.map((one, i) => (i === at ? value : one));
}
