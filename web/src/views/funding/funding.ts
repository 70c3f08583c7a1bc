import { addDays, addMonths, type Day } from '../../lib/dates';
import type { Schemas } from '../../lib/api';

export type FundingView = Schemas['FundingView'];

/** A figure of the table whose workings are asked for. */
export type FundingPlace = { row: string; name: string; from: string; to: string };

/** What can be added: a facility, a loan, a lease or a deposit with the line of its interest, or interest by itself. */
export const ADDED = [
  { value: 'revolving', name: 'a revolving facility' },
  { value: 'loan', name: 'a loan' },
  { value: 'lease', name: 'a lease or hire purchase' },
  { value: 'deposit', name: 'a term deposit' },
  { value: 'overdraft', name: 'interest of the overdraft' },
  { value: 'cash', name: 'interest on cash' },
] as const;

export type Added = (typeof ADDED)[number]['value'];

type SentLine = Schemas['sent.line'];

function line(id: string, name: string, assumption: SentLine['assumption']): SentLine {
  return { id, name, direction: 'payment', assumption };
}

/** The lines of what is added: `amount` is a facility's limit, what is lent, financed or put away. */
export function linesOf(what: Added, name: string, amount: string, asOf: Day): SentLine[] {
  const id = crypto.randomUUID();
  const interest = (of: Omit<Schemas['sent.interest'], 'kind'>, called: string) =>
    line(crypto.randomUUID(), called, { kind: 'interest', ...of });
  switch (what) {
    case 'overdraft':
    case 'cash':
      return [interest({ of: what }, name)];
    case 'revolving':
      return [
        line(id, name, { kind: what, limit: [{ from: asOf, value: amount }], drawn: { on: asOf, amount: '0' } }),
        interest({ of: 'line', line: id }, `Interest of ${name}`),
      ];
    case 'deposit': {
      const on = addDays(asOf, 1);
      const deposit = { kind: what, on, amount, last: addMonths(on, 6) };
      return [line(id, name, deposit), interest({ of: 'deposit', line: id }, `Interest on ${name}`)];
    }
    case 'lease': {
      const lease = { kind: what, on: addDays(asOf, 1), financed: amount, rate: '0', payments: 36 };
      return [line(id, name, lease), interest({ of: 'line', line: id }, `Interest of ${name}`)];
    }
    case 'loan': {
      const drawn = addDays(asOf, 1);
      const loan = {
        kind: what,
        from: { on: drawn, amount },
        firstPayDay: addMonths(drawn, 1),
        payments: 36,
      };
      return [line(id, name, loan), interest({ of: 'line', line: id }, `Interest of ${name}`)];
    }
  }
}

/** The heights of a chart's bars, for amounts from nothing to the greatest of them. */
export function heights(amounts: number[], most: number, height: number): number[] {
  return amounts.map((amount) => (most > 0 ? (Math.max(0, amount) / most) * height : 0));
}

/** What follows in a scenario once a covenant breaks. */
export const BREACHES = [
  { value: 'nothing', name: 'nothing follows' },
  { value: 'stops-drawing', name: 'no more is drawn' },
  { value: 'debt-due', name: 'all debt falls due' },
] as const;

/** What a covenant tests, named as in the trade; the name in the contract may differ. */
export const RATIOS = [
  { value: 'least-liquidity', name: 'Least liquidity' },
  { value: 'net-debt-to-ebitda', name: 'Net debt / EBITDA' },
  { value: 'interest-cover', name: 'Interest cover' },
  { value: 'debt-service-cover', name: 'Debt service cover' },
  { value: 'current-ratio', name: 'Current ratio' },
] as const;
