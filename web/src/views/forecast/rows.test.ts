import { describe, expect, it } from 'vitest';
import type { EditOutcome, PlanView, TableRow } from '../../lib/api';
import { usual } from '../../lib/place.svelte';
import { heading, periodWords, rowsShown, tableAfter } from './rows';

const row = (id: string, kind: string, depth: number) => ({ id, kind, depth }) as TableRow;
const ROWS = [
  row('opening', 'opening', 0),
  row('receipts', 'section', 0),
  row('g', 'group', 1),
  row('a', 'line', 2),
  row('b', 'line', 1),
  row('payments', 'section', 0),
  row('c', 'line', 1),
  row('net', 'net', 0),
  row('closing', 'closing', 0),
  row('lowest', 'lowest', 0),
  row('headroom', 'headroom', 0),
];

describe('the rows of the forecast', () => {
  const ids = (mode: 'movement' | 'level', ...folded: string[]) =>
    rowsShown(ROWS, mode, new Set(folded)).map((r) => r.id);

  it('hide what stands below a folded group or section, and nothing else', () => {
    expect(ids('movement')).toEqual([
      'opening',
      'receipts',
      'g',
      'a',
      'b',
      'payments',
      'c',
      'net',
      'closing',
      'headroom',
    ]);
    expect(ids('movement', 'g')).not.toContain('a');
    expect(ids('movement', 'g')).toContain('b');
    expect(ids('movement', 'receipts')).toEqual(['opening', 'receipts', 'payments', 'c', 'net', 'closing', 'headroom']);
  });

  it('show levels alone when levels are asked for', () => {
    expect(ids('level', 'receipts')).toEqual(['opening', 'closing', 'lowest', 'headroom']);
  });
});

describe('periods in words', () => {
  const period = { from: '2026-03-02', to: '2026-03-08', settled: false, weekOfYear: 10 };

  it('head a column', () => {
    expect(heading('WEEK', period)).toEqual(['wk 10', '2 Mar']);
    expect(heading('DAY', period)).toEqual(['Mon', '2 Mar']);
    expect(heading('QUARTER', { ...period, from: '2026-04-01', to: '2026-06-30' })).toEqual(['Apr–Jun', '2026']);
    expect(periodWords(period.from, period.to)).toBe('2 Mar – 8 Mar 2026');
    expect(periodWords(period.from, period.from)).toBe('2 Mar 2026');
  });
});

describe('the usual window', () => {
  const view = (asOf: string, firstDayOfWeek = 'monday') =>
    ({
      settings: { firstDayOfWeek },
      tide: { asOf, firstDay: '2025-09-01', horizonEnd: '2028-03-31' },
    }) as unknown as PlanView;

  it('is two settled weeks and 13 whole ones from the end of a week', () => {
    expect(usual(view('2026-03-01'), 'WEEK')).toEqual({ from: '2026-02-16', to: '2026-05-31' });
  });

  it('has the rest of a broken week and 13 whole ones after it', () => {
    expect(usual(view('2026-03-04'), 'WEEK')).toEqual({ from: '2026-02-16', to: '2026-06-07' });
    expect(usual(view('2026-02-28', 'sunday'), 'WEEK')).toEqual({ from: '2026-02-15', to: '2026-05-30' });
  });

  it('is a settled month and 12 more, and never beyond the forecast', () => {
    expect(usual(view('2026-03-01'), 'MONTH')).toEqual({ from: '2026-02-01', to: '2027-02-28' });
    expect(usual(view('2028-03-01'), 'MONTH').to).toBe('2028-03-31');
  });
});

describe('the table after an edit', () => {
  const view = { version: 8 } as PlanView;
  const shown = { version: 7, asked: 'WEEK', table: { periods: [], rows: ROWS } };
  const changed = (since: number, asked: string) => {
    const rows = [row('new', 'line', 1)];
    const outcome = { view, table: { since, asked, periods: [], kept: [0, -1, 3], rows } };
    return { view, outcome: outcome as unknown as EditOutcome };
  };

  it('is put together of the rows that stay and those that came', () => {
    const after = tableAfter(shown, changed(7, 'WEEK'), 'WEEK')!;
    expect(after.rows.map((one) => one.id)).toEqual(['opening', 'new', 'a']);
    expect(after.rows[2]).toBe(ROWS[3]);
  });

  it('is asked for where what was told is of another version, another table or another plan', () => {
    expect(tableAfter({ ...shown, version: 6 }, changed(7, 'WEEK'), 'WEEK')).toBeUndefined();
    expect(tableAfter(shown, changed(7, 'MONTH'), 'MONTH')).toBeUndefined();
    expect(tableAfter(shown, { ...changed(7, 'WEEK'), view: { version: 9 } as PlanView }, 'WEEK')).toBeUndefined();
    expect(tableAfter(undefined, changed(7, 'WEEK'), 'WEEK')).toBeUndefined();
    expect(tableAfter(shown, { view }, 'WEEK')).toBeUndefined();
  });
});
