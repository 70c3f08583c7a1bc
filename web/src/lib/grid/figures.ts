/**
 * A row of figures: a heading without any, a line, or a sum; with the text that stands below each where there is one,
 * and what the base has where a scenario is shown and that is another figure.
 */
export interface FigureRow {
  key: string;
  name: string;
  style: 'heading' | 'line' | 'sum';
  amounts: number[];
  below?: string[] | undefined;
  base?: (number | null)[] | null;
}

export interface FigureColumn {
  key: string;
  name: string;
  sub: string;
}
