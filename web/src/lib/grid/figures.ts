import { monthName } from '../dates';

/**
 * A row of figures: a heading without any, a group of the rows below that name it, a line, what the row below it is made
 * of, a sum, or what has to be nil; with the text that stands below each where there is one, and what the base has where
 * a scenario is shown and that is another figure.
 */
export interface FigureRow {
  key: string;
  name: string;
  style: 'heading' | 'group' | 'line' | 'of_which' | 'sum' | 'check';
  /** The row of the group that it folds into. */
  group?: string | null;
  amounts: number[];
  below?: string[] | undefined;
  base?: (number | null)[] | null;
}

/** How many groups a row stands in. */
export function depth(row: FigureRow, rows: readonly FigureRow[]): number {
  const group = row.group ? rows.find((one) => one.key === row.group) : undefined;
  return group ? depth(group, rows) + 1 : 0;
}

/** The rows to show: without what stands in a folded group, however deep. */
export function unfolded(rows: readonly FigureRow[], folded: ReadonlySet<string>): FigureRow[] {
  const hidden = new Set(folded);
  return rows.filter((row) => {
    const shown = !row.group || !hidden.has(row.group);
    if (!shown) hidden.add(row.key);
    return shown;
  });
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
