import type { Schemas } from '../../../lib/api';

export type BudgetView = Schemas['BudgetView'];
export type BudgetRow = BudgetView['rows'][number];

/** What is to become of a row: left out, put on a line, or made a line of its own. */
export type Target = { kind: 'out' } | { kind: 'line'; id: string } | { kind: 'new'; direction: 'receipt' | 'payment' };

/** How a match was found, in words. */
export const HOW: Record<string, string> = {
  exact: 'same name',
  remembered: 'as last time',
  close: 'alike: please check',
  none: '',
};

/** What is proposed for a row: nothing for a total, its line where one matches, else a line of its own. */
export function proposed(row: BudgetRow): Target {
  if (row.total || Object.keys(row.amounts).length === 0) return { kind: 'out' };
  if (row.lineId) return { kind: 'line', id: row.lineId };
  return { kind: 'new', direction: row.direction === 'receipt' ? 'receipt' : 'payment' };
}

/** A target as the value of an option, and back. */
export function valueOf(target: Target): string {
  return target.kind === 'line' ? `line ${target.id}` : target.kind === 'new' ? `new ${target.direction}` : 'out';
}

export function targetOf(value: string): Target {
  const [kind, rest = ''] = [value.split(' ')[0], value.slice(value.indexOf(' ') + 1)];
  if (kind === 'line') return { kind: 'line', id: rest };
  return kind === 'new' ? { kind: 'new', direction: rest as 'receipt' | 'payment' } : { kind: 'out' };
}
