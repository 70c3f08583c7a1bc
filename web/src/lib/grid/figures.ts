/** A row of figures: a heading without any, a line, or a sum; with the text that stands below each where there is one. */
export interface FigureRow {
  key: string;
  name: string;
  style: 'heading' | 'line' | 'sum';
  amounts: number[];
  below?: string[] | undefined;
}

export interface FigureColumn {
  key: string;
  name: string;
  sub: string;
}
