import { describe, expect, it } from 'vitest';
import { head } from '../../lib/grid/figures';
import { bars, scale } from './charts';
import { changed, clearedBy, ofSide, type Sheet } from './opening/opening';
import { isOf, monthAfter, said, shownAccounts } from './ledger/ledger';
import { columns, place, rows } from './statements';

const view = {
  opening: true,
  beforeOpening: 0,
  actual: [1, 3, 6].map((of) => ({ months: 0, of })),
  openingDay: '2026-02-28',
  periods: [
    { from: '2026-03-01', to: '2026-03-31', settled: false },
    { from: '2026-04-01', to: '2026-06-30', settled: false },
    { from: '2026-10-01', to: '2027-03-31', settled: false },
  ],
  rows: [{ id: 'row cash', style: 'line', name: 'Cash', amounts: [1, 2, 3, 4], shares: ['1.0', '-2.5', ''] }],
} as unknown as Parameters<typeof columns>[0];

describe('statements', () => {
  it('have their opening first, and heads that say the months of a period', () => {
    expect(columns(view).map((one) => `${one.name} ${one.sub}`)).toEqual([
      'Opening Sat 28 Feb 2026',
      'Mar 2026',
      'Apr to Jun 2026',
      'Oct to Mar 2026 to 2027',
    ]);
    expect(head({ from: '2026-04-01', to: '2027-03-31' }).sub).toBe('2026 to 2027');
  });

  it('open a figure with its days, the opening without', () => {
    const row = rows(view)[0]!;
    expect(place('balance', view, row, 0)).toEqual({ kind: 'balance', row: 'row cash', name: 'Cash' });
    expect(place('balance', view, row, 2)).toMatchObject({ from: '2026-04-01', to: '2026-06-30' });
    expect(row.below).toEqual(['1.0%', '\u22122.5%', '–']);
  });
});

describe('months with a trial balance', () => {
  const mixed = { ...view, beforeOpening: 1, actual: [1, 0, 2].map((months, i) => ({ months, of: [1, 3, 6][i]! })) };

  it('stand before the opening, and a column says how many of its months they are', () => {
    expect(columns(mixed).map((one) => `${one.name} ${one.sub}`)).toEqual([
      'Mar 2026 actual',
      'Opening Sat 28 Feb 2026',
      'Apr to Jun 2026',
      'Oct to Mar 2026 to 2027 2 of 6 actual',
    ]);
    expect(place('balance', mixed, rows(mixed)[0]!, 0)).toMatchObject({ from: '2026-03-01' });
    expect(place('balance', mixed, rows(mixed)[0]!, 1).from).toBeUndefined();
    expect(place('balance', mixed, rows(mixed)[0]!, 2)).toMatchObject({ from: '2026-04-01' });
  });

  it('are followed by the next month, and their accounts by what they were said to be', () => {
    expect([monthAfter('2025-12'), monthAfter('2026-01'), monthAfter('2026-11')]).toEqual([
      '2026-01',
      '2026-02',
      '2026-12',
    ]);
    const account = { account: '1', name: 'Bank', minor: 1, row: 'cash', line: null, proposed: null };
    const odd = { account: '2', name: 'Odd', minor: 1, row: null, line: null, proposed: null };
    expect(shownAccounts([account, odd], '').map((one) => one.account)).toEqual(['2', '1']);
    expect(said(isOf(account))).toEqual({ row: 'cash', line: null });
    expect(said(isOf(odd))).toEqual({ row: null, line: null });
  });
});

describe('an opening balance sheet', () => {
  const sheet: Sheet = {
    on: '2026-02-28',
    entries: [
      { name: 'Hotels', kind: 'receivables', amount: '12', line: 'hotels' },
      { name: 'Reserves', kind: 'retained', amount: '12' },
    ],
  };
  const kinds = [
    { kind: 'receivables', name: 'Receivables', side: 'assets' },
    { kind: 'retained', name: 'Retained profit', side: 'equity' },
  ];

  it('shows each side with the place of its entries', () => {
    expect(ofSide(sheet, kinds, 'equity')).toEqual([{ entry: sheet.entries[1], at: 1 }]);
    expect(ofSide(undefined, kinds, 'assets')).toEqual([]);
  });

  it('changes one entry, or takes it out, and leaves what was there as it was', () => {
    expect(changed(sheet, 0, undefined).entries).toEqual([sheet.entries[1]]);
    expect(changed(sheet, 1, { ...sheet.entries[1]!, amount: '13' }).entries[1]!.amount).toBe('13');
    expect(sheet.entries).toHaveLength(2);
  });

  it('is cleared by a line, stays, or neither', () => {
    const hotels = sheet.entries[0]!;
    expect(clearedBy(hotels, 'stays')).toEqual({ name: 'Hotels', kind: 'receivables', amount: '12', stays: true });
    expect(clearedBy(hotels, '')).toEqual({ name: 'Hotels', kind: 'receivables', amount: '12' });
    expect(clearedBy({ ...hotels, stays: true }, 'export').line).toBe('export');
  });
});

describe('charts', () => {
  it('draw nil between what lies below and above it', () => {
    const y = scale([-50, 150], 0, 200);
    expect([y(150), y(0), y(-50)]).toEqual([0, 150, 200]);
    expect(scale([], 0, 100)(0)).toBe(100);
  });

  it('lead from opening to closing cash, each step where the one before it ends', () => {
    const way = bars({
      opening: 100,
      closing: 130,
      steps: [
        { id: 'in', name: 'In', minor: 80, level: 180 },
        { id: 'out', name: 'Out', minor: -50, level: 130 },
      ],
    });
    expect(way.map((bar) => [bar.from, bar.to])).toEqual([
      [0, 100],
      [100, 180],
      [180, 130],
      [0, 130],
    ]);
  });
});
