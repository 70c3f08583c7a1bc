import type { ProFormaView } from '../../lib/api';
import { fullDay } from '../../lib/dates';
import { MINUS } from '../../lib/money';
import { head, type FigureColumn, type FigureRow } from '../../lib/grid/figures';

/** The statements there are, and what else is shown with them. */
export const SHOWN = [
  { value: 'income', name: 'Income' },
  { value: 'balance', name: 'Balance sheet' },
  { value: 'cash', name: 'Cash flow' },
  { value: 'charts', name: 'Charts' },
  { value: 'ratios', name: 'Ratios' },
  { value: 'years', name: 'Years' },
  { value: 'rolls', name: 'Roll-forwards' },
  { value: 'opening', name: 'Opening' },
  { value: 'ledger', name: 'Actual months' },
] as const;

export type Shown = (typeof SHOWN)[number]['value'];
/** What of it is given out as a file, by the name that the file asks for it. */
export const CSV: Partial<Record<Shown, string>> = {
  income: 'income',
  balance: 'balance',
  cash: 'cash-indirect',
  ratios: 'ratios',
  rolls: 'rolls',
  years: 'years',
};

export type Kind = 'income' | 'balance' | 'cash-direct' | 'cash-indirect';
export type By = 'MONTH' | 'QUARTER' | 'YEAR';

export const LENGTHS: readonly { value: By; name: string }[] = [
  { value: 'MONTH', name: 'Month' },
  { value: 'QUARTER', name: 'Quarter' },
  { value: 'YEAR', name: 'Year' },
];

/** A figure of a statement whose parts are open; without days it is of the opening. */
export interface StatementPlace {
  kind: Kind;
  row: string;
  name: string;
  from?: string;
  to?: string;
}

/** The columns of a statement, its opening before those that are forecast. */
export function columns(view: ProFormaView): FigureColumn[] {
  const opening = { key: 'opening', name: 'Opening', sub: fullDay(view.openingDay) };
  const columns = view.periods.map((period, i) => marked(head(period), view.actual[i]!));
  return view.opening
    ? [...columns.slice(0, view.beforeOpening), opening, ...columns.slice(view.beforeOpening)]
    : columns;
}

/** A column says how many of its months have a trial balance. */
function marked(column: FigureColumn, { months, of }: ProFormaView['actual'][number]): FigureColumn {
  if (!months) return column;
  const whole = months >= of;
  return { ...column, actual: whole, sub: `${column.sub} ${whole ? 'actual' : `${months} of ${of} actual`}` };
}

/** The rows of a statement; in common size each figure's share stands below it. */
export function rows(view: ProFormaView): FigureRow[] {
  return view.rows.map((row) => ({
    key: row.id,
    name: row.name,
    group: row.group,
    style: row.style as FigureRow['style'],
    amounts: row.amounts,
    base: row.base,
    below: row.shares?.map((share) => (share ? `${share.replace('-', MINUS)}%` : '–')),
  }));
}

/** The place of a figure in a column of a statement. */
export function place(kind: Kind, view: ProFormaView, row: FigureRow, column: number): StatementPlace {
  const at = !view.opening || column < view.beforeOpening ? column : column - 1;
  const period = view.opening && column === view.beforeOpening ? undefined : view.periods[at];
  return { kind, row: row.key, name: row.name, ...(period ? { from: period.from, to: period.to } : {}) };
}
