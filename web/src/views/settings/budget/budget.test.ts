import { expect, it } from 'vitest';
import { proposed, targetOf, valueOf, type BudgetRow } from './budget';

const row: BudgetRow = {
  number: 5,
  label: 'Rent',
  section: 'Costs',
  amounts: { '2026-11': '500.00' },
  total: false,
  lineId: null,
  how: 'none',
  direction: 'payment',
  problems: [],
};

it('proposes a line of its own, the line that matches, and nothing for totals and empty rows', () => {
  expect(proposed(row)).toEqual({ kind: 'new', direction: 'payment' });
  expect(proposed({ ...row, lineId: 'rent' })).toEqual({ kind: 'line', id: 'rent' });
  expect(proposed({ ...row, lineId: 'rent', total: true })).toEqual({ kind: 'out' });
  expect(proposed({ ...row, amounts: {} })).toEqual({ kind: 'out' });
});

it('writes a target as the value of an option and reads it back', () => {
  for (const target of [{ kind: 'out' }, { kind: 'line', id: 'a b' }, { kind: 'new', direction: 'receipt' }] as const)
    expect(targetOf(valueOf(target))).toEqual(target);
});
