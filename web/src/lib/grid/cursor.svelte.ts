const STEPS: Record<string, [number, number]> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
  PageDown: [10, 0],
  PageUp: [-10, 0],
  Home: [0, -Infinity],
  End: [0, Infinity],
};

/** Where the keyboard stands in a grid, and the block chosen with Shift: one tab stop, arrows move. */
export class GridCursor {
  row = $state(0);
  column = $state(0);
  private anchorRow = $state<number | null>(null);
  private anchorColumn = $state<number | null>(null);

  constructor(private readonly size: () => [rows: number, columns: number]) {}

  /** Moves for a key it knows; whether it did. With shift the block grows, without it the block is let go. */
  move(key: string, shift = false): boolean {
    const step = STEPS[key];
    if (!step) return false;
    const [rows, columns] = this.size();
    if (!shift) this.letGo();
    else if (this.anchorRow === null) {
      this.anchorRow = this.row;
      this.anchorColumn = this.column;
    }
    this.row = clamp(this.row + step[0], rows);
    this.column = clamp(this.column + step[1], columns);
    return true;
  }

  set(row: number, column: number) {
    this.letGo();
    this.row = row;
    this.column = column;
  }

  /** The chosen block, first and last row and column; the one cell where no block is chosen. */
  get block(): { top: number; bottom: number; left: number; right: number } {
    const [row, column] = [this.anchorRow ?? this.row, this.anchorColumn ?? this.column];
    return {
      top: Math.min(row, this.row),
      bottom: Math.max(row, this.row),
      left: Math.min(column, this.column),
      right: Math.max(column, this.column),
    };
  }

  holds(row: number, column: number): boolean {
    const { top, bottom, left, right } = this.block;
    return row >= top && row <= bottom && column >= left && column <= right;
  }

  private letGo() {
    this.anchorRow = null;
    this.anchorColumn = null;
  }
}

function clamp(value: number, count: number): number {
  return Math.max(0, Math.min(count - 1, value));
}

/** The chosen block as spreadsheets take it: tabs between columns, a line a row. */
export function blockText(block: GridCursor['block'], cell: (row: number, column: number) => string): string {
  const lines: string[] = [];
  for (let row = block.top; row <= block.bottom; row++) {
    const fields: string[] = [];
    for (let column = block.left; column <= block.right; column++) fields.push(cell(row, column));
    lines.push(fields.join('\t'));
  }
  return lines.join('\n');
}
