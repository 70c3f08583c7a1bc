import type { Schemas } from '../../lib/api';
import { head, type FigureColumn } from '../../lib/grid/figures';
import { readAmount } from '../../lib/money';

/** A column of all lines by month: a month that is typed into, or what a fiscal year comes to. */
export interface MonthColumn extends FigureColumn {
  month?: number;
  year?: number;
}

/** The months of a table by their place, and after those of a fiscal year what all of it comes to. */
export function withYears({ months, years }: Pick<Schemas['MonthsTable'], 'months' | 'years'>): MonthColumn[] {
  return months.flatMap((month, at) => [
    { ...head({ from: month, to: month }), month: at },
    ...years.flatMap((year, i) => (year.after === at + 1 ? [{ ...head(year), year: i }] : [])),
  ]);
}

/** What a pasted block types: decimal text by line and month, empty cells left out; or a refusal in words. */
export type Typed = { lines: { row: number; amounts: Record<string, string> }[] } | { refusal: string };

/**
 * Reads a block of tab-separated figures as it falls on a grid, its first cell on a row and column. Cells that are no amounts, and
 * blocks that reach beyond the grid, are refused with their place, and nothing is typed.
 */
export function readGrid(text: string, top: number, left: number, rowCount: number, months: string[]): Typed {
  const block = text
    .replace(/\r/g, '')
    .replace(/\n+$/, '')
    .split('\n')
    .map((line) => line.split('\t'));
  const width = Math.max(...block.map((line) => line.length));
  if (block.length > rowCount - top)
    return {
      refusal: `${block.length} rows were pasted, but from here on only ${rowCount - top} lines stand in the grid. Nothing was changed.`,
    };
  if (width > months.length - left)
    return {
      refusal: `${width} columns were pasted, but from here on only ${months.length - left} months stand in the grid. Nothing was changed: widen the window along the tide line, then paste again.`,
    };
  const lines: { row: number; amounts: Record<string, string> }[] = [];
  for (const [r, cells] of block.entries()) {
    const amounts: Record<string, string> = {};
    for (const [c, cell] of cells.entries()) {
      if (!cell.trim()) continue;
      const amount = readAmount(cell);
      if (amount === null || amount.startsWith('-'))
        return {
          refusal:
            block.length * width === 1
              ? `'${cell.trim()}' is no amount above zero: type a figure such as 12500 or 12.5k.`
              : `'${cell.trim()}' in row ${r + 1}, column ${c + 1} of the block is no amount above zero. Nothing was changed.`,
        };
      amounts[months[left + c]!] = amount;
    }
    if (Object.keys(amounts).length) lines.push({ row: top + r, amounts });
  }
  return { lines };
}
