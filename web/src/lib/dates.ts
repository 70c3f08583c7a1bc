/** A day written 2026-03-01. Days are text throughout; only this file counts with them. */
export type Day = string;

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
/** The months in full small letters, as settings name them. */
export const MONTHS_IN_FULL = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
] as const;
export const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;
const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MS = 86_400_000;

function date(day: Day): Date {
  return new Date(day + 'T00:00:00Z');
}

function day(of: Date): Day {
  return of.toISOString().slice(0, 10);
}

export function addDays(from: Day, days: number): Day {
  return day(new Date(date(from).getTime() + days * MS));
}

/** A month later, or earlier; a day the month lacks is its last. */
export function addMonths(from: Day, months: number): Day {
  const start = date(from);
  const last = new Date(Date.UTC(start.getUTCFullYear(), start.getUTCMonth() + months + 1, 0)).getUTCDate();
  return day(
    new Date(Date.UTC(start.getUTCFullYear(), start.getUTCMonth() + months, Math.min(start.getUTCDate(), last))),
  );
}

/** How many days one day lies after another. */
export function daysBetween(from: Day, to: Day): number {
  return Math.round((date(to).getTime() - date(from).getTime()) / MS);
}

export function monthStart(of: Day): Day {
  return of.slice(0, 8) + '01';
}

/** "1 Mar" */
export function shortDay(of: Day): string {
  return `${date(of).getUTCDate()} ${MONTHS[date(of).getUTCMonth()]}`;
}

/** "1 Mar 2026" */
export function longDay(of: Day): string {
  return `${shortDay(of)} ${of.slice(0, 4)}`;
}

/** "Sun 1 Mar 2026" */
export function fullDay(of: Day): string {
  return `${DAYS[date(of).getUTCDay()]} ${longDay(of)}`;
}

/** "Sun" */
export function weekday(of: Day): string {
  return DAYS[date(of).getUTCDay()] ?? '';
}

/** "Mar" of a month 2026-03 or a day. */
export function monthName(of: string): string {
  return MONTHS[Number(of.slice(5, 7)) - 1] ?? of;
}

/** The first day of the week that holds a day; weekdays are written in full small letters. */
export function weekStart(of: Day, firstDay: string): Day {
  const first = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'].indexOf(firstDay);
  return addDays(of, -((date(of).getUTCDay() - first + 7) % 7));
}

/** The refusal of a text that is no day. */
export function noDay(typed: string): string {
  const parts = dayParts(typed);
  if (parts && parts.month >= 0 && parts.month < 12 && parts.day > 28) {
    const days = new Date(Date.UTC(parts.year, parts.month + 1, 0)).getUTCDate();
    const name = MONTHS_IN_FULL[parts.month] ?? '';
    return `${name.charAt(0).toUpperCase()}${name.slice(1)} ${parts.year} has ${days} days: '${typed}' is no date.`;
  }
  return typed.trim()
    ? `'${typed}' is no date: type one such as 2026-07-01 or 1/7/2026.`
    : 'The date is missing: type one such as 2026-07-01 or 1/7/2026.';
}

/** The refusal of a text that is no month. */
export function noMonth(typed: string): string {
  return `'${typed}' is no month: type one such as 2026-07 or Jul 2026.`;
}

/** Reads a month as people type it: "2026-07", "7/2026", "Jul 2026"; null when it is none. */
export function readMonth(typed: string): string | null {
  const text = typed.trim();
  const iso = /^(\d{4})-(\d{1,2})$/.exec(text);
  const day = readDay(iso ? text + '-1' : text.replace(/^(\d{1,2}|[A-Za-z]{3,9})[-/. ](\d{4}|\d{2})$/, '1 $1 $2'));
  return day && day.endsWith('-01') ? day.slice(0, 7) : null;
}

/** Reads a day as people type it: "2026-03-01", "1/3/26", "1 Mar 2026"; null when it is none. */
export function readDay(typed: string): Day | null {
  const parts = dayParts(typed);
  if (!parts) return null;
  const made = new Date(Date.UTC(parts.year, parts.month, parts.day));
  return Number.isNaN(made.getTime()) || made.getUTCMonth() !== parts.month ? null : day(made);
}

/** The year, the month counted from 0 and the day of a text that is written as a day, whether there is such a day or not. */
function dayParts(typed: string): { year: number; month: number; day: number } | null {
  const text = typed.trim().toLowerCase();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  const other = /^(\d{1,2})[-/. ](\d{1,2}|[a-z]{3,9})[-/. ](\d{4}|\d{2})$/.exec(text);
  if (!iso && !other) return null;
  const year = Number(iso ? iso[1] : other?.[3]);
  const word = iso ? iso[2] : other?.[2];
  const name = MONTHS.findIndex((month) => word?.startsWith(month.toLowerCase()));
  const month = name >= 0 ? name : Number(word) - 1;
  return { year: year < 100 ? 2000 + year : year, month, day: Number(iso ? iso[3] : other?.[1]) };
}
