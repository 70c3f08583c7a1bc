import { tick } from 'svelte';
import { blockText, GridCursor } from './cursor.svelte';

/** A cell with what is typed into it. */
export interface TypedCell {
  row: number;
  column: number;
  text: string;
}

interface Cells {
  size: () => [rows: number, columns: number];
  /** What a cell holds, as it would be typed. */
  text: (row: number, column: number) => string;
  /** Takes what is typed, pasted or emptied; gives the refusal, or nothing. */
  put: (cells: TypedCell[]) => Promise<string>;
  /** The keys with which typing begins. */
  begins: RegExp;
}

/**
 * A grid that is typed into as a spreadsheet: arrows move, typing and Enter begin, Tab and Enter commit, Escape leaves,
 * Delete empties, blocks are copied and pasted.
 */
export class TypedGrid {
  readonly cursor: GridCursor;
  editing = $state<{ row: number; column: number }>();
  typed = $state('');
  refusal = $state('');
  table = $state<HTMLTableElement>();
  private putting = false;

  constructor(private readonly cells: Cells) {
    this.cursor = new GridCursor(cells.size);
  }

  async focus() {
    await tick();
    this.table?.querySelector<HTMLElement>('td[tabindex="0"]')?.focus();
  }

  start(row: number, column: number, first: string) {
    this.cursor.set(row, column);
    this.typed = first;
    this.editing = { row, column };
  }

  choose(row: number, column: number) {
    this.cursor.set(row, column);
    void this.focus();
  }

  isEditing(row: number, column: number): boolean {
    return this.editing?.row === row && this.editing.column === column;
  }

  /** What was typed stays in the field where it is refused. */
  async commit(across: number, down: number) {
    const at = this.editing;
    // Whoever leaves the field while it is being put has put it already.
    if (!at || this.putting) return;
    const text = this.typed.trim();
    if (text !== this.cells.text(at.row, at.column)) {
      this.putting = true;
      this.refusal = await this.cells.put([{ ...at, text }]).finally(() => (this.putting = false));
      if (this.refusal) return;
    }
    this.editing = undefined;
    this.refusal = '';
    const [rows, columns] = this.cells.size();
    this.choose(Math.max(0, Math.min(rows - 1, at.row + down)), Math.max(0, Math.min(columns - 1, at.column + across)));
  }

  keydown(e: KeyboardEvent) {
    if (this.editing || e.ctrlKey || e.metaKey || e.altKey) return;
    const { row, column } = this.cursor;
    if (this.cursor.move(e.key, e.shiftKey)) void this.focus();
    else if (e.key.length === 1 && this.cells.begins.test(e.key)) this.start(row, column, e.key);
    else if (e.key === 'Enter' || e.key === 'F2') this.start(row, column, this.cells.text(row, column));
    else if (e.key === 'Delete') void this.empty();
    else return;
    e.preventDefault();
  }

  /** Keys in the field that is typed in. */
  fieldKeydown(e: KeyboardEvent) {
    if (e.key === 'Enter') void this.commit(0, e.shiftKey ? -1 : 1);
    else if (e.key === 'Tab') void this.commit(e.shiftKey ? -1 : 1, 0);
    else if (e.key === 'Escape') {
      this.editing = undefined;
      this.refusal = '';
      void this.focus();
    } else return;
    e.preventDefault();
    e.stopPropagation();
  }

  private async empty() {
    const { top, bottom, left, right } = this.cursor.block;
    const cells: TypedCell[] = [];
    for (let row = top; row <= bottom; row++)
      for (let column = left; column <= right; column++) cells.push({ row, column, text: '' });
    this.refusal = await this.cells.put(cells);
    await this.focus();
  }

  copy(e: ClipboardEvent) {
    if (this.editing) return;
    e.clipboardData?.setData('text/plain', blockText(this.cursor.block, this.cells.text));
    e.preventDefault();
  }

  /** All of a block goes in, or nothing of it. */
  async paste(e: ClipboardEvent) {
    if (this.editing) return;
    e.preventDefault();
    const lines = (e.clipboardData?.getData('text/plain') ?? '').replace(/\r?\n$/, '').split(/\r?\n/);
    const { top, left } = this.cursor.block;
    const [rows, columns] = this.cells.size();
    const cells = lines.flatMap((line, i) =>
      line.split('\t').map((text, j) => ({ row: top + i, column: left + j, text: text.trim() })),
    );
    const beyond = cells.some((cell) => cell.row >= rows || cell.column >= columns);
    this.refusal = beyond
      ? `A block of ${lines.length} by ${lines[0]!.split('\t').length} was pasted, but from here on the sheet has only ${rows - top} by ${columns - left}: begin further up or left. Nothing was changed.`
      : await this.cells.put(cells);
    await this.focus();
  }
}
