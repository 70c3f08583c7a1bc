import type { Schemas } from '../../lib/api';
import { MINUS } from '../../lib/money';

export type Row = Schemas['VarianceRow'];
export type Why = Schemas['Reasons'];
export type Length = 'WEEK' | 'MONTH' | 'QUARTER' | 'YEAR' | 'TO_DATE';

/** The reasons in the order in which they are drawn and named, with their colour; what is open is hatched. */
export const REASONS: { key: keyof Why; name: string; fill: string }[] = [
  { key: 'timing', name: 'timing', fill: '#7fbcc0' },
  { key: 'amount', name: 'amount', fill: '#114a5c' },
  { key: 'unforeseen', name: 'new', fill: '#a9741c' },
  { key: 'gone', name: 'gone', fill: '#b9b09a' },
  { key: 'open', name: 'open', fill: 'url(#open)' },
];

/** The causes that move a forecast, in the order in which the server has them. */
export const CAUSES: Record<string, string> = {
  FACTS: 'Facts came in',
  DATES: 'Dates moved',
  ASSUMPTION: 'Assumption changed',
  FOLLOWS: 'Follows from those',
  ADDED: 'Added',
  LEFT_OUT: 'Left out',
};

/** The rows that something was forecast of or happened on, and what they stand in. */
export function visible(rows: Row[]): Row[] {
  return rows.filter(
    (row) =>
      row.forecast !== 0 ||
      row.actual !== 0 ||
      row.decisions.length > 0 ||
      ['section', 'net', 'closing'].includes(row.kind),
  );
}

/** Whether a row stands for one line, not for a sum. */
export function isLine(row: Row): boolean {
  return ['line', 'gone_line', 'unassigned', 'transfers'].includes(row.kind);
}

/** A percentage of hundredths, rounded for the eye: +23%; new where nothing was forecast. */
export function percent(row: { percentHundredths: number | null; actual: number }): string {
  if (row.percentHundredths === null) return row.actual ? 'new' : '';
  return signedPercent(row.percentHundredths);
}

export function signedPercent(hundredths: number): string {
  const whole = Math.round(Math.abs(hundredths) / 100);
  return `${hundredths < 0 && whole ? MINUS : '+'}${whole.toLocaleString('en-GB')}%`;
}

/** An error as it is shown: 23%, or none where nothing happened. */
export function errorWords(hundredths: number | null): string {
  return hundredths === null ? 'none' : `${Math.round(hundredths / 100).toLocaleString('en-GB')}%`;
}

/** The pieces of a bar: what is unfavourable to the left of the middle, the rest to the right, in pixels. */
export function pieces(
  why: Why,
  most: number,
  half: number,
): { key: keyof Why; fill: string; x: number; width: number }[] {
  let [left, right] = [half, half];
  return REASONS.filter(({ key }) => why[key] !== 0).map(({ key, fill }) => {
    const width = (half * Math.abs(why[key])) / Math.max(1, most);
    if (why[key] > 0) {
      right += width;
      return { key, fill, x: right - width, width };
    }
    left -= width;
    return { key, fill, x: left, width };
  });
}

/** The most that any bar reaches to one side. */
export function furthest(rows: { why: Why }[]): number {
  const sides = rows.flatMap(({ why }) => {
    const all = REASONS.map(({ key }) => why[key]);
    return [all.filter((minor) => minor > 0), all.filter((minor) => minor < 0).map((minor) => -minor)];
  });
  return Math.max(1, ...sides.map((side) => side.reduce((sum, minor) => sum + minor, 0)));
}
