import type { Schemas } from '../../lib/api';
import { addDays, addMonths, readDay, readMonth, type Day } from '../../lib/dates';

export type Scenario = Schemas['scenario'];
export type Change = Schemas['change'];
export type ScenariosView = Schemas['ScenariosView'];
export type ScenarioView = Schemas['ScenarioView'];
export type KeyFigures = Schemas['KeyFigures'];
export type Assumption = Schemas['AssumptionView'];

/** A future as a column of key figures; a forecast as it was kept has none. */
export interface FutureColumn {
  key: string;
  name: string;
  sub: string;
  figures: KeyFigures | null;
  /** How much more they are than those it is held against; null for that one itself. */
  difference: KeyFigures | null;
  chosen: boolean;
}

/** A scenario as a column: how many changes it has, of its own and of those it stands on. */
export function column(one: ScenarioView, chosen: boolean): FutureColumn {
  const own = one.changes.filter((change) => !change.of).length;
  const more = one.changes.length - own;
  const mine = own || !more ? `${own} ${own === 1 ? 'change' : 'changes'}` : '';
  const sub = [one.scenario.breakwater ? 'the breakwater' : '', mine, more ? `${more} of others` : ''];
  return {
    key: one.scenario.id,
    name: one.scenario.name,
    sub: sub.filter(Boolean).join(', '),
    figures: one.figures,
    difference: one.difference,
    chosen,
  };
}

/** How the lines of futures are told apart: by dash and letter, never by colour alone; the base's is whole. */
const DASHES = ['', '7 4', '2 4', '10 3 2 3', '4 3', '12 5', '1 3 6 3'];

export function dash(at: number): string {
  return DASHES[at % DASHES.length]!;
}

/** The letter of a future: A is the base. */
export function letter(at: number): string {
  return String.fromCharCode(65 + (at % 26));
}

/** An id of our own, short enough to be read in a file. */
export function newId(): string {
  return crypto.randomUUID().slice(0, 8);
}

export function empty(name: string): Scenario {
  return { id: newId(), name, note: '', standsOn: [], changes: [], putBy: false };
}

/** A name with a number behind it where it is taken. */
export function freeName(name: string, taken: string[]): string {
  let free = name;
  for (let n = 2; taken.includes(free); n++) free = `${name} ${n}`;
  return free;
}

/** What a change may be of, as it is found by its words. */
export interface Choice {
  words: string;
  target: Change['target'];
  unit: string;
}

export function choices(
  assumptions: Assumption[],
  lines: { id: string; name: string; kind: string }[],
  parties: { direction: 'receipt' | 'payment'; name: string }[] = [],
): Choice[] {
  const seen = new Map<string, Choice>();
  for (const line of lines) {
    const words = `${line.name} (${line.kind === 'group' ? 'the whole group' : 'the whole line'})`;
    seen.set(words, { words, target: { kind: 'line', line: line.id }, unit: '' });
  }
  for (const { direction, name } of parties) {
    const words = `${name} (${direction === 'receipt' ? 'a customer' : 'a supplier'})`;
    seen.set(words, { words, target: { kind: 'counterparty', direction, name }, unit: '' });
  }
  for (const one of assumptions) {
    const words = `${one.line}: ${one.name}`;
    if (!seen.has(words)) seen.set(words, { words, target: { kind: 'assumption', path: one.path }, unit: one.unit });
  }
  return [...seen.values()];
}

export const ACTS = [
  { value: 'set', name: 'is' },
  { value: 'scale', name: 'is at … % of what it is' },
  { value: 'add', name: 'is more by (less: below zero)' },
  { value: 'paid-later', name: 'is paid … days later' },
  { value: 'never-paid', name: 'is never paid, … points more' },
  { value: 'shift-days', name: 'comes … days later (sooner: below zero)' },
  { value: 'shift-months', name: 'comes … months later' },
  { value: 'leave-out', name: 'is left out' },
  { value: 'fails', name: 'fails: what it owes and buys does not come' },
] as const;
export type ActKind = (typeof ACTS)[number]['value'];

/** An act with what was typed for it. */
export function act(kind: ActKind, typed: string): Change['act'] {
  const plain = typed.replaceAll(',', '').trim();
  switch (kind) {
    case 'set':
      return { kind, value: plain };
    case 'scale':
      return { kind, to: plain.replace('%', '') };
    case 'add':
      return { kind, more: plain };
    case 'paid-later':
      return { kind, days: Number(plain) };
    case 'never-paid':
      return { kind, points: plain.replace('%', '') };
    case 'shift-days':
    case 'shift-months':
      return { kind: 'shift', by: Number(plain), unit: kind === 'shift-days' ? 'days' : 'months' };
    case 'leave-out':
    case 'fails':
      return { kind };
  }
}

/** The day on which a range begins or ends, typed as a day or as a month; empty for no end, null for what is neither. */
export function edge(typed: string, which: 'from' | 'to'): Day | null {
  if (!typed.trim()) return '';
  const month = readMonth(typed);
  const day = readDay(typed);
  if (day) return day;
  if (!month) return null;
  return which === 'from' ? `${month}-01` : addDays(addMonths(`${month}-01`, 1), -1);
}

/** The refusal of words that name no line and no assumption. */
export function nothingCalled(words: string): string {
  return words
    ? `Nothing is called '${words}': choose from the list that opens as you type.`
    : 'Say first which: type some letters of a line or an assumption.';
}

/** The acts without a figure of their own. */
export const WHOLE_ACTS: ActKind[] = ['leave-out', 'fails'];

/** What may be done to a target: only a counterparty fails, and it is paid later or fails. */
export function actsFor(target: Change['target'] | undefined): readonly (typeof ACTS)[number][] {
  return target?.kind === 'counterparty'
    ? ACTS.filter((one) => one.value === 'paid-later' || one.value === 'fails')
    : ACTS.filter((one) => one.value !== 'fails');
}

/** What futures are measured by. */
export const MEASURES = [
  { value: 'LEAST_HEADROOM', name: 'least headroom' },
  { value: 'LEAST_CASH', name: 'least cash' },
  { value: 'LIMITS_LESS_NEED', name: 'limits less need' },
  { value: 'COVENANT_ROOM', name: 'room of covenants' },
  { value: 'PROFIT', name: 'profit of the year' },
  { value: 'CLOSING', name: 'closing cash on' },
] as const;
export type Measure = (typeof MEASURES)[number]['value'];
