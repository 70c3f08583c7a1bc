import { monthName } from '../dates';

/**
 * A row of figures: a heading without any, a line, what the row below it is made of, a sum, or what has to be nil; with the text that stands below each where there is one,
 * and what the base has where a scenario is shown and that is another figure.
 */
export interface FigureRow {
  key: string;
  name: string;
  style: 'heading' | 'line' | 'of_which' | 'sum' | 'check';
  amounts: number[];
  below?: string[] | undefined;
  base?: (number | null)[] | null;
}

export interface FigureColumn {
  key: string;
  name: string;
  sub: string;
  /** Whether it is of what happened, and nothing in it is estimated. */
  actual?: boolean;
}

/** The head of a period of whole months: its month, or from which to which. */
export function head({ from, to }: { from: string; to: string }): FigureColumn {
  const one = from.slice(0, 7) === to.slice(0, 7);
  return {
    key: `${from} ${to}`,
    name: one ? monthName(from) : `${monthName(from)} to ${monthName(to)}`,
    sub: one || from.slice(0, 4) === to.slice(0, 4) ? to.slice(0, 4) : `${from.slice(0, 4)} to ${to.slice(0, 4)}`,
  };
}
