import type { EditOutcome, PlanView, TableRow, TableView } from '../../lib/api';
import { longDay, monthName, shortDay, weekday } from '../../lib/dates';
import type { By } from '../../lib/place.svelte';

/** What is done with a figure: its workings, an override, a buoy. */
export type Act = 'workings' | 'override' | 'buoy' | 'lift';

/** A figure of the forecast that something is done with. */
export type Spot = {
  row: string;
  name: string;
  kind: string;
  from: string;
  to: string;
  act: Act;
  /** What was typed to begin an override. */
  typed: string;
};

const MOVEMENT_HIDES = ['lowest', 'minimum', 'limit'];
const LEVEL_SHOWS = ['opening', 'closing', 'lowest', 'minimum', 'limit', 'headroom'];

/** The rows to show: those of the mode, without what stands below a folded group or section. */
export function rowsShown(rows: TableRow[], mode: 'movement' | 'level', folded: Set<string>): TableRow[] {
  if (mode === 'level') return rows.filter((row) => LEVEL_SHOWS.includes(row.kind));
  const shown: TableRow[] = [];
  let below = Infinity;
  for (const row of rows) {
    if (MOVEMENT_HIDES.includes(row.kind)) continue;
    if (row.depth > below) continue;
    below = folded.has(row.id) ? row.depth : Infinity;
    shown.push(row);
  }
  return shown;
}

/** A forecast as it was asked for, of a version of the plan. */
export type Shown = { version: number; asked: string; table: TableView };

/**
 * The table that a question asks for, where the edit that made the plan's latest version told what changed of the table
 * that is shown; nothing where it did not, or told it of another.
 */
export function tableAfter(
  shown: Shown | undefined,
  plan: { view?: PlanView; outcome?: EditOutcome },
  asked: string,
): TableView | undefined {
  const changed = plan.outcome?.table;
  if (!changed || !shown || plan.outcome?.view !== plan.view || shown.version !== changed.since) return undefined;
  if (changed.asked !== asked || shown.asked !== asked) return undefined;
  const sent = changed.rows.values();
  const rows = changed.kept.map((place) => (place < 0 ? sent.next().value : shown.table.rows[place]));
  return { periods: changed.periods, rows: rows.map((row) => row!) };
}

export function canFold(row: TableRow): boolean {
  return row.kind === 'section' || row.kind === 'group';
}

/** The two lines of a column's heading. */
export function heading(by: By, period: TableView['periods'][number]): [string, string] {
  switch (by) {
    case 'DAY':
      return [weekday(period.from), shortDay(period.from)];
    case 'WEEK':
      return [`wk ${period.weekOfYear}`, shortDay(period.from)];
    case 'MONTH':
      return [monthName(period.from), period.from.slice(0, 4)];
    case 'QUARTER':
      return [`${monthName(period.from)}–${monthName(period.to)}`, period.to.slice(0, 4)];
    case 'YEAR':
      return [`to ${monthName(period.to)}`, period.to.slice(0, 4)];
  }
}

/** A period in words: "2 Mar – 8 Mar 2026". */
export function periodWords(from: string, to: string): string {
  return from === to ? longDay(from) : `${shortDay(from)} – ${longDay(to)}`;
}

/** Depth tint of headroom: sand under a quarter of the limit, then four blues; below zero stays sand, in red. */
export const TINTS = ['#f1e6cc', '#f1e6cc', '#e4f1ee', '#cfe8e5', '#b4dada', '#98cbce'];
