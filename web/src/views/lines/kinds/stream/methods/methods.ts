import type { Day } from '../../../../../lib/dates';
import type { Driver, Method, MethodOf, Stream } from '../../../save';

/** The ways to say what a month comes to, in words a person would use; a product is told apart by what it multiplies. */
export const METHODS = [
  { key: 'fixed', name: 'the same every month' },
  { key: 'growth', name: 'a base that grows' },
  { key: 'typed', name: 'typed month by month' },
  { key: 'quantity-price', name: 'so many pieces at a price' },
  { key: 'hours-rate', name: 'so many hours at a rate' },
  { key: 'market', name: 'a share of a market that orders' },
  { key: 'customers', name: 'customers who each pay a fee' },
  { key: 'year', name: 'a total for the year' },
  { key: 'dated', name: 'single amounts by date' },
  { key: 'share', name: 'a share of another line' },
  { key: 'stock', name: 'bought for stock' },
] as const;

export type MethodKey = (typeof METHODS)[number]['key'];

/** What a product multiplies, as its fields are named. */
export const FACTORS: Record<MethodOf<'product'>['of'], string[]> = {
  'quantity-price': ['pieces a month', 'price of one'],
  'hours-rate': ['hours a month', 'rate an hour'],
  market: ['customers in the market', 'share of it %', 'orders a month of each', 'price of an order'],
};

export function keyOf(method: Method): MethodKey {
  return method.kind === 'product' ? method.of : method.kind;
}

/** A driver that says nothing yet. */
export function emptyDriver(): Driver {
  return { value: [], growth: '0', growthOf: {} };
}

/** What a method begins with: what the one before can give it, else nothing. */
export function freshMethod(key: MethodKey, before: Method, first: Day, other: string): Method {
  const steps = before.kind === 'fixed' ? before.amount : before.kind === 'growth' ? before.base : [];
  switch (key) {
    case 'fixed':
      return { kind: key, amount: steps };
    case 'growth':
      return { kind: key, base: steps, growth: '0', growthOf: {} };
    case 'typed':
      return { kind: key, amounts: {} };
    case 'share':
      return { kind: key, line: other, share: '10' };
    case 'stock':
      return {
        kind: key,
        sales: other,
        given: 'closing',
        cost: {
          by: 'share-of-sales',
          share: '60',
          valuation: 'moving-average',
          units: emptyDriver(),
          unitCost: emptyDriver(),
        },
        target: { by: 'base-and-share', base: '0', baseUnits: '0', share: '0', of: 'cost', days: 30 },
        bought: { by: 'share-of-sales', share: '60', amounts: {} },
        opening: '0',
        orderedMonths: 0,
      };
    case 'customers':
      return {
        kind: key,
        from: first.slice(0, 7),
        opening: '0',
        gained: emptyDriver(),
        lost: emptyDriver(),
        lostAs: 'number',
        fee: emptyDriver(),
        feeOn: 'closing',
      };
    case 'year':
      return { kind: key, totals: {}, yearlyGrowth: '0', weights: Array<number>(12).fill(1) };
    case 'dated':
      return { kind: key, amounts: [] };
    default:
      return { kind: 'product', of: key, factors: FACTORS[key].map(emptyDriver) };
  }
}

/** The assumption with another method in force: the one before is put aside, and one put aside comes back as it was. */
export function withMethod(assumption: Stream, key: MethodKey, first: Day, other: string): Stream {
  const before = assumption.method;
  if (keyOf(before) === key) return assumption;
  const aside = assumption.aside.filter((one) => keyOf(one) !== keyOf(before));
  const kept = aside.find((one) => keyOf(one) === key);
  return {
    ...assumption,
    method: kept ?? freshMethod(key, before, first, other),
    aside: [...aside.filter((one) => one !== kept), before],
  };
}
