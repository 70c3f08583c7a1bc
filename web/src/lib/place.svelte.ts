import { push, replace, router } from 'svelte-spa-router';
import { addDays, addMonths, monthStart, weekStart, type Day } from './dates';
import { atNow, everywhere } from './address.svelte';
import type { PlanView } from './api';

export type By = 'DAY' | 'WEEK' | 'MONTH' | 'QUARTER' | 'YEAR';
export const PERIODS: By[] = ['DAY', 'WEEK', 'MONTH', 'QUARTER', 'YEAR'];

/** So many months stand side by side in a line's editor, with the fiscal years that they fall into. */
const MOST_SIDE_BY_SIDE = 12;

/** The window of time that every view shows, kept in the address; without one there, the usual one for its periods. */
export class TimeWindow {
  constructor(private readonly view: () => PlanView | undefined) {}

  private get query(): URLSearchParams {
    return new URLSearchParams(router.querystring ?? '');
  }

  get by(): By {
    const by = this.query.get('by') as By;
    return PERIODS.includes(by) ? by : 'WEEK';
  }

  get from(): Day {
    return this.query.get('from') ?? usual(this.view(), this.by).from;
  }

  get to(): Day {
    return this.query.get('to') ?? usual(this.view(), this.by).to;
  }

  /**
   * The days shown by what looks far ahead in periods of its own: those chosen along the tide line, else the usual ones
   * for its periods.
   */
  ahead(by: By): { from: Day; to: Day } {
    return this.query.has('from') || by === this.by ? { from: this.from, to: this.to } : usual(this.view(), by);
  }

  /** The months that a line's editor begins with: those of a window chosen along the tide line, else the usual ones. */
  get monthsOfALine(): Months {
    return monthsOfALine(this.view(), this.query.has('from') ? { from: this.from, to: this.to } : undefined);
  }

  setBy(by: By) {
    const { location, query } = atNow();
    query.set('by', by);
    query.delete('from');
    query.delete('to');
    void push(`${location}?${query}`);
  }

  set(from: Day, to: Day) {
    const { location, query } = atNow();
    query.set('from', from);
    query.set('to', to);
    void replace(`${location}?${query}`);
  }
}

/** Months that are forecast, from one on, with so many before them that are past. */
interface Months {
  from: Day;
  history: number;
  months: number;
}

/** As many months of a window as stand side by side; without one three that are past and nine to come. */
export function monthsOfALine(view: PlanView | undefined, window?: { from: Day; to: Day }): Months {
  const first = view ? monthStart(addDays(view.tide.asOf, 1)) : '2026-01-01';
  if (!window) return { from: first, history: 3, months: 9 };
  const from = monthStart(window.from);
  let months = 1;
  while (months < MOST_SIDE_BY_SIDE && addMonths(from, months) <= window.to) months++;
  let history = 0;
  while (history < months && addMonths(from, history) < first) history++;
  return { from: addMonths(from, history), history, months: Math.max(1, months - history) };
}

/** Two settled periods and what follows: 13 weeks, 12 months, 14 days, 8 quarters or all years. */
export function usual(view: PlanView | undefined, by: By): { from: Day; to: Day } {
  if (!view) return { from: '2026-01-01', to: '2026-01-01' };
  const { asOf, horizonEnd, firstDay } = view.tide;
  const next = addDays(asOf, 1);
  const week = weekStart(next, String(view.settings.firstDayOfWeek));
  const spans: Record<By, { from: Day; to: Day }> = {
    DAY: { from: addDays(asOf, -1), to: addDays(asOf, 13) },
    // The rest of a broken week is a column of its own, then 13 whole weeks.
    WEEK: { from: addDays(week, -14), to: addDays(week, (week === next ? 13 : 14) * 7 - 1) },
    MONTH: { from: addMonths(monthStart(next), -1), to: addDays(addMonths(monthStart(next), 12), -1) },
    QUARTER: { from: addMonths(monthStart(next), -3), to: addDays(addMonths(monthStart(next), 24), -1) },
    YEAR: { from: firstDay, to: horizonEnd },
  };
  const span = spans[by];
  return { from: span.from < firstDay ? firstDay : span.from, to: span.to > horizonEnd ? horizonEnd : span.to };
}

/** The scenario that the address says is looked at; empty for the base. */
export function shownScenario(): string {
  return new URLSearchParams(router.querystring ?? '').get('scenario') ?? '';
}

/** Looks at a scenario, or at the base, in the view that is open. */
export function showScenario(id: string) {
  const { location, query } = atNow();
  if (id) query.set('scenario', id);
  else query.delete('scenario');
  const said = query.toString();
  void push(location + (said ? `?${said}` : ''));
}

/** The address of a view of a plan, keeping the window and what is looked at. */
export function address(plan: string, view: string, part?: string): string {
  const query = everywhere().toString();
  return `/plan/${plan}/${view}${part ? '/' + encodeURIComponent(part) : ''}${query ? `?${query}` : ''}`;
}

/** The address of a part that is opened with something asked of it. */
export function addressAsking(plan: string, view: string, part: string, asked: Record<string, string>): string {
  const [path] = address(plan, view, part).split('?');
  const query = everywhere();
  for (const [name, value] of Object.entries(asked)) query.set(name, value);
  return `${path}?${query}`;
}

/** The address of a line's editor, under Receipts or Payments as it belongs. */
export function addressOfLine(
  plan: { id: string; view?: { lines: { id: string; direction: string }[] } },
  lineId: string,
): string {
  const line = plan.view?.lines.find((one) => one.id === lineId);
  return address(plan.id, line?.direction === 'receipt' ? 'receipts' : 'payments', lineId);
}
