import type { Schemas } from '../../../lib/api';

export type OpeningView = Schemas['OpeningView'];

/** An entry of the opening balance sheet, as the settings hold it. */
export type Entry = Schemas['openingEntry'];

/** The opening balance sheet, as the settings hold it. */
export type Sheet = Schemas['openingSheet'];

/** The entries of a side, each with its place among all. */
export function ofSide(
  sheet: Sheet | undefined,
  kinds: OpeningView['kinds'],
  side: string,
): { entry: Entry; at: number }[] {
  const sides = new Map(kinds.map((kind) => [kind.kind, kind.side]));
  return (sheet?.entries ?? []).map((entry, at) => ({ entry, at })).filter((one) => sides.get(one.entry.kind) === side);
}

/** A sheet of a day with one entry changed, or without it. */
export function changed(sheet: Sheet, at: number, entry: Entry | undefined): Sheet {
  const entries = [...sheet.entries];
  if (entry) entries[at] = entry;
  else entries.splice(at, 1);
  return { ...sheet, entries };
}

/** An entry cleared by a line, staying ("stays"), or neither (""). */
export function clearedBy(entry: Entry, by: string): Entry {
  const { line: _line, stays: _stays, ...rest } = entry;
  return by === 'stays' ? { ...rest, stays: true } : by ? { ...rest, line: by } : rest;
}
