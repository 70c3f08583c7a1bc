import type { Schemas } from '../../../lib/api';

export type Beside = Schemas['BesideView'];
export type BesideRow = Schemas['BesideRowView'];
export type Table = 'CASH' | 'FUNDING' | 'INCOME' | 'BALANCE' | 'CASH_FLOW' | 'COVENANTS';

export const TABLES: { value: Table; name: string }[] = [
  { value: 'CASH', name: 'forecast' },
  { value: 'FUNDING', name: 'funding' },
  { value: 'INCOME', name: 'income statement' },
  { value: 'BALANCE', name: 'balance sheet' },
  { value: 'CASH_FLOW', name: 'cash flow statement' },
  { value: 'COVENANTS', name: 'covenants' },
];

/** No more stand side by side. */
export const MOST = 6;

/** What may stand beside the base, by the name it is asked for. */
export interface Offer {
  asked: string;
  name: string;
  kind: 'scenario' | 'snapshot' | 'plan';
}

/** Takes a future in, or out; more than the most are not taken. */
export function toggled(chosen: string[], asked: string): string[] {
  if (chosen.includes(asked)) return chosen.length > 1 ? chosen.filter((one) => one !== asked) : chosen;
  return chosen.length < MOST ? [...chosen, asked] : chosen;
}

/** The rows of which a future says something in a period, or differs. */
export function told(rows: BesideRow[], period: number, differing: boolean): BesideRow[] {
  return rows.filter((row) =>
    row.futures.some((one) => (differing ? !!one.differences[period] : one.amounts[period] !== null)),
  );
}
