import type { RollForwardView } from '../../lib/api';
import type { FigureRow } from '../../lib/grid/figures';

/** What can be rolled forward, in words, with the sentence that says what it is. */
export const KINDS = [
  { value: 'receivables', name: 'Receivables', sentence: 'What customers owe at the end of each month, and why' },
  { value: 'payables', name: 'Payables', sentence: 'What suppliers are owed at the end of each month, and why' },
  { value: 'stock', name: 'Stock', sentence: 'What lies in stock at the end of each month, and why' },
  { value: 'sales-tax', name: 'Sales tax', sentence: 'Sales tax that belongs to the state until it is settled' },
  { value: 'pay-owed', name: 'Pay owed', sentence: 'What was earned, withheld or added on top and is not paid yet' },
  {
    value: 'prepaid',
    name: 'Prepaid',
    sentence: 'Bills that cover later months, or below zero, months that are billed later',
  },
  { value: 'profit-tax', name: 'Profit tax', sentence: 'Tax on profit that was expensed and is not paid yet' },
  { value: 'fixed-assets', name: 'Assets', sentence: 'What assets cost less what is used up of them' },
] as const;

/** A figure whose workings are open. */
export interface Place {
  kind: string;
  line: string | null;
  name: string;
  row: string;
  period: RollForwardView['periods'][number];
}

/** A row of the grid: the heading of a roll-forward, or a row of figures of it. */
export interface RollRow extends FigureRow {
  roll: RollForwardView;
}

/** Every roll-forward's rows under one another; causes that never happen are left out. */
export function rows(rolls: RollForwardView[]): RollRow[] {
  return rolls.flatMap((roll) => {
    const id = roll.lineId ?? 'total';
    const row = (name: string, amounts: number[], style: FigureRow['style']): RollRow => ({
      key: `${id} ${name}`,
      name,
      amounts,
      style,
      roll,
    });
    return [
      { ...row(roll.name, [], 'heading'), key: id },
      row('opening', roll.opening, 'line'),
      ...roll.changes
        .filter((change) => change.amounts.some((minor) => minor !== 0))
        .map((change) => row(change.name, change.amounts, 'line')),
      row('closing', roll.closing, 'sum'),
    ];
  });
}
