import { describe, expect, it } from 'vitest';
import { lastYearEnd, putRow, readBlock, valueRows, withLast, withRow, type DriverRow, type LastYear } from './years';

const row = (id: string, measure: string, parts: string[]): DriverRow => ({
  id,
  name: id,
  method: 'amount',
  methods: [],
  note: '',
  values: parts.map((part) => ({ part, words: part, measure, cells: [] })),
});
const rows = valueRows([row('sales', 'money', ['amount', 'growth']), row('tax', 'percent', [])]);

describe('the sheet of drivers', () => {
  it('has a row for each part that is typed, and one for a row that follows from nothing', () => {
    expect(rows.map((one) => [one.row.id, one.values?.part, one.first])).toEqual([
      ['sales', 'amount', true],
      ['sales', 'growth', false],
      ['tax', undefined, true],
    ]);
  });

  it('takes a block as it falls, grouped and short amounts among it, and empties what is empty', () => {
    expect(readBlock('966,000\t1.2m\n\t12k', 0, 0, rows, [2026, 2027])).toEqual({
      values: [
        { row: 'sales', part: 'amount', year: 2026, text: '966000' },
        { row: 'sales', part: 'amount', year: 2027, text: '1200000' },
        { row: 'sales', part: 'growth', year: 2026, text: '' },
        { row: 'sales', part: 'growth', year: 2027, text: '12000' },
      ],
    });
  });

  it('refuses a block that reaches beyond it, what is no number, and a row that nothing is typed for', () => {
    expect(readBlock('1\t2', 0, 1, rows, [2026, 2027])).toHaveProperty('refusal', expect.stringMatching(/beyond/));
    expect(readBlock('much', 0, 0, rows, [2026])).toHaveProperty(
      'refusal',
      expect.stringMatching(/no number for sales, amount/),
    );
    expect(readBlock('5', 2, 0, rows, [2026])).toHaveProperty('refusal', expect.stringMatching(/choose first/));
  });
});

describe('a last year', () => {
  const last: LastYear = {
    end: '2025-12-31',
    days: 365,
    rows: [{ id: 'rent', name: 'Rent', row: 'overhead', amount: '1' }],
  };
  const overhead = { row: 'overhead', name: 'Overheads', part: 'income', many: true };

  it('is the last whole calendar year', () => {
    expect([lastYearEnd('2026-03-01'), lastYearEnd('2025-12-31')]).toEqual(['2025-12-31', '2025-12-31']);
  });

  it('takes what was said of its rows with them, and leaves the rest', () => {
    const years = {
      count: 2,
      meanBalance: true,
      calendarDays: false,
      lossesRefunded: false,
      facility: 'bank',
      lastYear: last,
      drivers: [
        { row: 'rent', by: { kind: 'amount' as const, amounts: { '2026': '1' } } },
        { row: 'stock', by: { kind: 'share' as const, of: 'rent', shares: { '2026': '5' } } },
        { row: 'interest', by: { kind: 'share' as const, shares: { '2026': '8' } } },
      ],
      overrides: [{ row: 'rent', year: 2026, amount: '2', reason: 'so' }],
      debts: [
        { row: 'bank', year: 2026, amount: '3' },
        { year: 2026, amount: '4' },
      ],
    };
    const kinds = ['interest', 'stock'].map((row) => ({ row, name: row, part: 'income', many: false }));
    const without = withLast(years, { ...last, rows: [] }, kinds);
    expect(without.drivers.map((one) => one.row)).toEqual(['interest']);
    expect([without.overrides, without.debts, without.facility]).toEqual([
      [],
      [{ year: 2026, amount: '4' }],
      undefined,
    ]);
  });

  it('gets rows with ids of their own, changes one and loses one', () => {
    const more = withRow(withRow(last, overhead), overhead);
    expect(more.rows.map((one) => one.id)).toEqual(['rent', 'overhead-1', 'overhead-2']);
    expect(putRow(putRow(last, 'rent', { amount: '2' }), 'rent', { name: 'Quay' }).rows[0]).toMatchObject({
      name: 'Quay',
      amount: '2',
    });
    expect(putRow(last, 'rent', undefined).rows).toEqual([]);
  });
});
