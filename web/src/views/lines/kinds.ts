import type { Schemas } from '../../lib/api';
import { addDays, addMonths, monthStart, type Day } from '../../lib/dates';

interface KindOfLine {
  kind: Kind;
  name: string;
  sub: string;
  /** Where alone it stands. */
  only?: 'receipt' | 'payment';
}

export type Kind =
  'stream' | 'recurring' | 'items' | 'pay' | 'sales-tax' | 'profit-tax' | 'capital' | 'dividends' | 'group';

/** The kinds of line, in words a person would use. */
export const KINDS: readonly KindOfLine[] = [
  { kind: 'stream', name: 'By month', sub: 'an amount each month, paid by a pattern' },
  { kind: 'recurring', name: 'Again and again', sub: 'the same sum every so many weeks, months or years' },
  { kind: 'items', name: 'Single dates', sub: 'one-off sums, each on its day' },
  { kind: 'pay', name: 'Pay', sub: 'a team by role, with on-costs and what is withheld', only: 'payment' },
  {
    kind: 'sales-tax',
    name: 'Sales tax',
    sub: 'what lines with sales tax owe the state, settled by period',
    only: 'payment',
  },
  {
    kind: 'profit-tax',
    name: 'Profit tax',
    sub: 'reckoned from what all lines earn, with instalments',
    only: 'payment',
  },
  { kind: 'capital', name: 'Capital spending', sub: 'assets bought, used up and sold', only: 'payment' },
  { kind: 'dividends', name: 'Dividends', sub: 'what owners are paid out of profit', only: 'payment' },
  { kind: 'group', name: 'Group', sub: 'a heading that gathers other lines' },
];

/** The assumption a new line of a kind begins with; the first month is the first that is forecast. */
export function fresh(kind: Kind, asOf: Day): Schemas['sent.assumption'] {
  const first = monthStart(asOf);
  switch (kind) {
    case 'group':
      return { kind };
    case 'items':
      return { kind, items: [] };
    case 'profit-tax':
      return { kind, rate: '25', soFar: { profit: '0', tax: '0', paid: '0', losses: '0' }, monthsAfter: 9, day: 31 };
    case 'capital':
      return { kind, assets: [] };
    case 'dividends':
      return { kind, by: 'amount', amount: [], payout: '40', declared: 'june', monthsAfter: 0, day: 31 };
    case 'pay':
      return {
        kind,
        roles: [],
        days: { often: 'monthly', first: addDays(addMonths(first, 1), 27) },
        paidOver: { monthsAfter: 1, day: 22 },
      };
    case 'sales-tax':
      return { kind, months: 3, firstMonth: 'january', monthsAfter: 1, day: 31, refundDays: 30 };
    case 'recurring':
      return { kind, when: { unit: 'month', every: 1, first: addMonths(first, 1) }, amount: [] };
    case 'stream':
      return {
        kind,
        method: { kind: 'fixed', amount: [] },
        history: {},
        pattern: { steps: [{ share: '100', lag: 0, discount: '0' }], never: '0' },
      };
  }
}
