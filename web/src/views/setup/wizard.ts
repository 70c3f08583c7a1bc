import type { Schemas } from '../../lib/api';
import { addMonths, monthStart, readDay, type Day } from '../../lib/dates';
import { readAmount, readPercent } from '../../lib/money';

export type AccountDraft = { name: string; country: string; balance: string };
export type CostDraft = {
  name: string;
  amount: string;
  every: 'month' | 'fortnight' | 'week' | 'quarter';
  first: string;
};

/** What is typed when a plan is set up: all of it text, so that nothing typed is lost. */
export type Wizard = {
  name: string;
  currency: string;
  asOf: string;
  firstDayOfWeek: NonNullable<Schemas['sent.settings']['firstDayOfWeek']>;
  minimum: string;
  limit: string;
  accounts: AccountDraft[];
  stream: {
    name: string;
    history: string[];
    coming: string;
    sameMonth: string;
    oneLater: string;
    twoLater: string;
    never: string;
  };
  costs: CostDraft[];
};

export function blank(today: Day): Wizard {
  return {
    name: '',
    currency: 'GBP',
    asOf: today,
    firstDayOfWeek: 'monday',
    minimum: '',
    limit: '',
    accounts: [{ name: 'Current account', country: 'GB', balance: '' }],
    stream: {
      name: 'Sales',
      history: ['', '', ''],
      coming: '',
      sameMonth: '0',
      oneLater: '70',
      twoLater: '30',
      never: '0',
    },
    costs: [
      { name: 'Pay', amount: '', every: 'month', first: '' },
      { name: 'Rent', amount: '', every: 'month', first: '' },
      { name: 'Suppliers', amount: '', every: 'month', first: '' },
    ],
  };
}

/** The months before the forecast for which last sales are asked, the latest first. */
export function lastMonths(asOf: string): string[] {
  const day = readDay(asOf);
  if (!day) return [];
  const first = firstForecastMonth(day);
  return [1, 2, 3].map((back) => addMonths(first, -back).slice(0, 7));
}

function firstForecastMonth(asOf: Day): Day {
  const next = new Date(Date.parse(asOf + 'T00:00:00Z') + 86_400_000).toISOString().slice(0, 10);
  return monthStart(next);
}

/** What is wrong, by field; a plan is made when nothing is. */
export type Refusals = Record<string, string>;

const AMOUNT = 'type a number such as 1,250.50 or 12k';

function check(
  refusals: Refusals,
  field: string,
  typed: string,
  read: (text: string) => unknown,
  rule: string,
  must = false,
) {
  if (typed.trim() === '' ? must : read(typed) === null) {
    refusals[field] = typed.trim() === '' ? `Missing: ${rule}.` : `'${typed}' can't be read: ${rule}.`;
  }
}

export function refusalsOf(wizard: Wizard): Refusals {
  const refusals: Refusals = {};
  if (!wizard.name.trim()) refusals.name = 'Give the plan a name: the company, or the group of companies.';
  check(refusals, 'asOf', wizard.asOf, readDay, 'type a date such as 2026-03-01 or 1/3/2026', true);
  check(refusals, 'minimum', wizard.minimum, readAmount, AMOUNT);
  check(refusals, 'limit', wizard.limit, readAmount, AMOUNT);
  wizard.accounts.forEach((account, i) => {
    if (!account.name.trim()) refusals[`account${i}`] = 'Give the account a name.';
    else check(refusals, `account${i}`, account.balance, readAmount, `${AMOUNT}; below zero when overdrawn`, true);
  });
  wizard.stream.history.forEach((amount, i) => check(refusals, `history${i}`, amount, readAmount, AMOUNT));
  check(refusals, 'coming', wizard.stream.coming, readAmount, AMOUNT);
  const shares = [wizard.stream.sameMonth, wizard.stream.oneLater, wizard.stream.twoLater, wizard.stream.never];
  if (shares.some((share) => readPercent(share || '0') === null))
    refusals.shares = 'Shares are percentages such as 70 or 12.5.';
  else {
    const sum = shares.reduce((all, share) => all + Math.round(Number(readPercent(share || '0')) * 10_000), 0);
    if (sum !== 1_000_000) refusals.shares = `Shares must add up to 100%, but they make ${sum / 10_000}%.`;
  }
  wizard.costs.forEach((cost, i) => {
    check(refusals, `cost${i}`, cost.amount, readAmount, AMOUNT);
    check(refusals, `cost${i}`, cost.first, readDay, 'type the next date, such as 2026-03-28');
  });
  return refusals;
}

type SentLine = Schemas['sent.line'];

const EVERY: Record<CostDraft['every'], { unit: 'week' | 'month'; every: number }> = {
  week: { unit: 'week', every: 1 },
  fortnight: { unit: 'week', every: 2 },
  month: { unit: 'month', every: 1 },
  quarter: { unit: 'month', every: 3 },
};

/** The plan file of a wizard without refusals. Costs without an amount are left out. */
export function planFile(wizard: Wizard): Schemas['sent.planFile'] {
  const asOf = readDay(wizard.asOf)!;
  const first = firstForecastMonth(asOf);
  const minimum = readAmount(wizard.minimum);
  const limit = readAmount(wizard.limit);
  return {
    format: 'ebbtide-plan',
    version: 1,
    settings: {
      name: wizard.name.trim(),
      currency: wizard.currency,
      asOf,
      firstDayOfWeek: wizard.firstDayOfWeek,
      ...(minimum ? { minimumCash: [{ from: asOf, value: minimum }] } : {}),
      ...(limit ? { facility: { name: 'Overdraft', limit: [{ from: asOf, value: limit }] } } : {}),
    },
    accounts: wizard.accounts.map((account, i) => ({
      id: `account-${i + 1}`,
      name: account.name.trim(),
      country: account.country,
      balanceDate: asOf,
      balance: readAmount(account.balance)!,
    })),
    lines: [...stream(wizard, first), ...costs(wizard, asOf)],
  };
}

function stream(wizard: Wizard, first: Day): SentLine[] {
  const { stream: s } = wizard;
  const months = lastMonths(wizard.asOf);
  const known = s.history.map((amount, i) => [months[i], readAmount(amount)] as const).filter(([, amount]) => amount);
  const coming = readAmount(s.coming) ?? known[0]?.[1];
  if (!s.name.trim() || (!coming && known.length === 0)) return [];
  const steps = [s.sameMonth, s.oneLater, s.twoLater]
    .map((share, lag) => ({ share: readPercent(share || '0')!, lag }))
    .filter((step) => Number(step.share) > 0);
  return [
    {
      id: 'sales-1',
      name: s.name.trim(),
      direction: 'receipt',
      assumption: {
        kind: 'stream',
        method: { kind: 'fixed', amount: coming ? [{ from: first, value: coming }] : [] },
        history: Object.fromEntries(known) as Record<string, string>,
        pattern: { steps: steps.length ? steps : [{ share: '0', lag: 0 }], never: readPercent(s.never || '0')! },
      },
    },
  ];
}

function costs(wizard: Wizard, asOf: Day): SentLine[] {
  return wizard.costs.flatMap((cost, i) => {
    const amount = readAmount(cost.amount);
    if (!amount || !cost.name.trim()) return [];
    return [
      {
        id: `cost-${i + 1}`,
        name: cost.name.trim(),
        direction: 'payment',
        assumption: {
          kind: 'recurring',
          when: { ...EVERY[cost.every], first: readDay(cost.first) ?? addMonths(monthStart(asOf), 1) },
          amount: [{ from: monthStart(asOf), value: amount }],
        },
      },
    ];
  });
} /** The currencies that are offered. */
export const CURRENCIES = [
  'GBP',
  'EUR',
  'USD',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'CZK',
  'HUF',
  'JPY',
  'AUD',
  'NZD',
  'CAD',
  'ZAR',
  'BRL',
  'MXN',
  'KWD',
];
