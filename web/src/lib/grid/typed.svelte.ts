import { tick } from 'svelte';
import { Said } from '../said.svelte';
import { blockText, GridCursor } from './cursor.svelte';

/** A cell with what is typed into it. */
export interface TypedCell {
  row: number;
  column: number;
  text: string;
}

/** How cells came by what is put into them. */
export type How = 'typed' | 'pasted' | 'emptied';

interface Cells {
  size: () => [rows: number, columns: number];
  /** What a cell holds, as it would be typed. */
  text: (row: number, column: number) => string;
  /** Takes a block, tabs between columns and a line a row, from a cell on; gives the refusal, or nothing. */
  put: (text: string, row: number, column: number, how: How) => Promise<string>;
  /** The keys with which typing begins. */
  begins: RegExp;
  /** Brings a row into sight where not all are drawn. */
  reach?: (row: number) => void;
  /** What a row is known by where rows may move, come and go: what is typed falls on the row that it was begun on. */
  known?: (row: number) => string;
}

/**
 * A grid that is typed into as a spreadsheet: arrows move, typing and Enter begin, Tab and Enter commit, Escape leaves,
 * Delete empties, blocks are copied and pasted. Whoever types need not wait for what was typed before.
 */
export class TypedGrid {
  readonly cursor: GridCursor;
  editing = $state<{ row: number; column: number; known?: string }>();
  typed = $state('');
  table = $state<HTMLTableElement>();
  private readonly said = new Said();
  private moving = false;

  /** Made while a component is set up, before its rows, where these may move. */
  constructor(private readonly cells: Cells) {
    this.cursor = new GridCursor(cells.size);
    const { known } = cells;
    if (known) $effect.pre(() => this.moves(known));
  }

  /** A field whose row is moved on the page loses the keys, though nobody left it: it has them again thereafter. */
  private moves(known: (row: number) => string) {
    const [rows] = this.cells.size();
    for (let row = 0; row < rows; row++) known(row);
    this.moving = true;
    void tick().then(() => {
      this.moving = false;
      if (!this.editing || !this.table) return;
      const field = this.table.querySelector<HTMLElement>('td input');
      if (field) field.focus();
      else void this.commit(0, 0);
    });
  }

  /** The field that is typed in lost the keys. */
  left() {
    if (!this.moving) void this.commit(0, 0);
  }

  get refusal(): string {
    return this.said.words;
  }

  /** Says what a save answers that was begun elsewhere, and gives the keys back to the grid. */
  async say(saving: Promise<string>) {
    await this.said.of(saving);
    await this.focus();
  }

  /** Gives the keys to the cell of the cursor, unless something beside the grid has asked for them. */
  async focus() {
    this.cells.reach?.(this.cursor.row);
    await tick();
    if (this.editing || !this.table) return;
    const at = document.activeElement;
    if (!at || at === document.body || this.table.contains(at))
      this.table.querySelector<HTMLElement>('td[tabindex="0"]')?.focus();
  }

  start(row: number, column: number, first = this.cells.text(row, column)) {
    this.cells.reach?.(row);
    this.cursor.set(row, column);
    this.typed = first;
    this.editing = { row, column, known: this.cells.known?.(row) };
  }

  /**
   * Chooses a cell as it is pressed: a page that shifts before the press is let go gives the cell the keys and no click,
   * and what is typed would fall where the cursor was left.
   */
  choose(row: number, column: number) {
    if (this.isEditing(row, column)) return;
    this.cursor.set(row, column);
    void this.focus();
  }

  isEditing(row: number, column: number): boolean {
    const at = this.editing;
    return at?.column === column && (at.known === undefined ? at.row === row : at.known === this.cells.known?.(row));
  }

  /** Where the row stands now that typing was begun on; below nil where it is gone. */
  private rowOf(at: { row: number; known?: string }): number {
    if (at.known === undefined) return at.row;
    const [rows] = this.cells.size();
    for (let row = 0; row < rows; row++) if (this.cells.known?.(row) === at.known) return row;
    return -1;
  }

  /** Puts what is typed and goes on at once; what is refused comes back into its field, unless another is typed in. */
  async commit(across: number, down: number) {
    if (!this.editing) return;
    const at = { ...this.editing, row: this.rowOf(this.editing) };
    const text = this.typed.trim();
    this.editing = undefined;
    if (at.row < 0) return this.said.now(`'${text}' was typed on a row that is no longer here. Nothing was changed.`);
    const [rows, columns] = this.cells.size();
    if (across || down)
      this.choose(
        Math.max(0, Math.min(rows - 1, at.row + down)),
        Math.max(0, Math.min(columns - 1, at.column + across)),
      );
    if (text === this.cells.text(at.row, at.column)) return this.said.now('');
    const taken = await this.said.of(this.cells.put(text, at.row, at.column, 'typed'));
    const row = this.rowOf(at);
    if (!taken && !this.editing && row >= 0) this.start(row, at.column, text);
  }

  keydown(e: KeyboardEvent) {
    if (this.editing || e.ctrlKey || e.metaKey || e.altKey) return;
    const { row, column } = this.cursor;
    if (this.cursor.move(e.key, e.shiftKey)) void this.focus();
    else if (e.key.length === 1 && this.cells.begins.test(e.key)) this.start(row, column, e.key);
    else if (e.key === 'Enter' || e.key === 'F2') this.start(row, column);
    else if (e.key === 'Delete')
      void this.put(
        blockText(this.cursor.block, () => ''),
        'emptied',
      );
    else return;
    e.preventDefault();
  }

  /** Keys in the field that is typed in. */
  fieldKeydown(e: KeyboardEvent) {
    if (e.key === 'Enter') void this.commit(0, e.shiftKey ? -1 : 1);
    else if (e.key === 'Tab') void this.commit(e.shiftKey ? -1 : 1, 0);
    else if (e.key === 'Escape') {
      this.editing = undefined;
      this.said.now('');
      void this.focus();
    } else return;
    e.preventDefault();
    e.stopPropagation();
  }

  /** Puts a block from the chosen one's first cell on. */
  private async put(text: string, how: How) {
    const { top, left } = this.cursor.block;
    await this.say(this.cells.put(text, top, left, how));
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
    await this.put(e.clipboardData?.getData('text/plain') ?? '', 'pasted');
  }
}

/** Returns the cells that a block falls on from one on, or a refusal where it reaches beyond so many rows and columns. */
export function cellsOf(
  text: string,
  top: number,
  left: number,
  [rows, columns]: [number, number],
): TypedCell[] | { refusal: string } {
  const lines = text
    .replace(/\r?\n$/, '')
    .split(/\r?\n/)
    .map((line) => line.split('\t'));
  const width = Math.max(...lines.map((line) => line.length));
  return top + lines.length > rows || left + width > columns
    ? {
        refusal: `A block of ${lines.length} by ${width} was pasted, but from here on the sheet has only ${rows - top} by ${columns - left}: begin further up or left. Nothing was changed.`,
      }
    : lines.flatMap((line, i) => line.map((one, j) => ({ row: top + i, column: left + j, text: one.trim() })));
}
