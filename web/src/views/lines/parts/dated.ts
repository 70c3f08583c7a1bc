import { noDay, readDay } from '../../../lib/dates';
import { noAmount, readAmount } from '../../../lib/money';

/** An amount on a date. */
export interface DatedRow {
  date: string;
  amount: string;
  note: string;
}

/** Reads what is typed as a date, an amount and a note; what is wrong with either is said. */
export function readDated(date: string, amount: string, note: string): DatedRow | { refusal: string } {
  const day = readDay(date);
  const value = readAmount(amount);
  return day && value !== null
    ? { date: day, amount: value, note }
    : { refusal: [day ? '' : noDay(date), value === null ? noAmount(amount) : ''].join(' ').trim() };
}

/**
 * Reads a block of a spreadsheet, a row for each date with its amount and, if there is one, a note; empty rows are left
 * out. All of it can be read, or nothing of it is taken.
 */
export function readBlock(text: string): DatedRow[] | { refusal: string } {
  const rows: DatedRow[] = [];
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (!line.trim()) continue;
    const [date = '', amount = '', ...note] = line.split('\t').map((cell) => cell.trim());
    const row = readDated(date, amount, note.join(' ').trim());
    if ('refusal' in row) return { refusal: `Row ${i + 1} of the block: ${row.refusal} Nothing was added.` };
    rows.push(row);
  }
  return rows;
}
