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

const CERTAINTIES = ['certain', 'likely', 'possible'] as const;

/** What a change may be of that is neither a line nor one assumption: sums by certainty, and the base rate. */
export function wholes(): Choice[] {
  const sums = (['receipt', 'payment'] as const).flatMap((direction) =>
    CERTAINTIES.map((certainty) => ({
      words: `${direction === 'receipt' ? 'Receipts' : 'Payments'} that are ${certainty}`,
      target: { kind: 'certainty' as const, direction, certainty },
      unit: '',
    })),
  );
  return [...sums, { words: 'Base rate of all facilities', target: { kind: 'base-rate' }, unit: '% a year' }];
}

/** The assets and roles that lines are made of, each by itself. */
export function parts(lines: { id: string; name: string; kind: string; parts: string[] }[]): Choice[] {
  return lines.flatMap((line) =>
    line.parts.map((part) => ({
      words: `${part} (${line.kind === 'pay' ? 'a role' : 'an asset'} of ${line.name})`,
      target: { kind: 'part' as const, line: line.id, part },
      unit: '',
    })),
  );
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
  terms: { id: string; name: string }[] = [],
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
  for (const { id, name } of terms) {
    const words = `${name} (shared terms)`;
    seen.set(words, { words, target: { kind: 'terms', id }, unit: '' });
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
  { value: 'on-due-dates', name: 'is paid on due dates: no habit, no lateness' },
  { value: 'without-discounts', name: 'is paid in full, without discounts' },
  { value: 'fails', name: 'fails: what it owes and buys does not come' },
] as const;
export type ActKind = (typeof ACTS)[number]['value'];

/** What may be said of an open item, each by itself. */
export function ofItems(items: { id: string; item: { number: string; counterparty: string } }[]): Choice[] {
  const parts = [
    ['expected', 'day typed'],
    ['promised', 'day promised'],
    ['standing', 'standing'],
  ] as const;
  return items.flatMap(({ id, item }) =>
    parts.map(([part, name]) => ({
      words: `${item.number} of ${item.counterparty}: ${name}`,
      target: { kind: 'item' as const, item: id, part },
      unit: part === 'standing' ? '(held, disputed, normal)' : '(a day)',
    })),
  );
}

/** What of some words is looked for among items: of the whole of what is offered, typed by hand, the number. */
export function soughtOfItems(words: string): string {
  return words.split(' of ')[0]!.trim();
}

/** An act with what was typed for it; of an item's day any way of writing it, of its standing the word. */
export function act(kind: ActKind, typed: string, target?: Change['target']): Change['act'] {
  const plain = typed.replaceAll(',', '').trim();
  switch (kind) {
    case 'set':
      return { kind, value: target?.kind === 'item' ? readSaid(plain) : plain };
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
    case 'on-due-dates':
    case 'without-discounts':
    case 'fails':
      return { kind };
  }
}

function readSaid(typed: string): string {
  return readDay(typed) || typed.toLowerCase().replaceAll(' ', '-');
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

/** When a change holds and over how many months it comes and goes, as it is typed; empty for always and at once. */
export interface TypedWhen {
  from: string;
  to: string;
  comes: string;
  goes: string;
}

type When = Pick<Change, 'from' | 'to' | 'comesOver' | 'goesOver'>;

/** What was typed as a change has it, its ramps where its act has any; a sentence where it can't be read. */
export function when(typed: TypedWhen, ramps: boolean): When | string {
  const [from, to] = [edge(typed.from, 'from'), edge(typed.to, 'to')];
  if (from === null || to === null)
    return `'${from === null ? typed.from : typed.to}' is neither a month nor a day: type one such as Apr 2026 or 2026-04-17.`;
  const [comes, goes] = [typed.comes, typed.goes].map((one) => (ramps && one.trim() ? Number(one) : 0));
  const wrong = [comes!, goes!].findIndex((one) => !Number.isInteger(one) || one < 0);
  if (wrong >= 0)
    return `A change comes and goes over a whole number of months, such as 3, but was '${wrong ? typed.goes : typed.comes}'.`;
  return {
    ...(from ? { from } : {}),
    ...(to ? { to } : {}),
    ...(comes ? { comesOver: comes } : {}),
    ...(goes ? { goesOver: goes } : {}),
  };
}

/** When a change holds, as one would type it. */
export function typedWhen(of: When): TypedWhen {
  return {
    from: of.from ?? '',
    to: of.to ?? '',
    comes: of.comesOver ? String(of.comesOver) : '',
    goes: of.goesOver ? String(of.goesOver) : '',
  };
}

/** A change that holds at another time. */
export function heldAt(change: Change, at: When): Change {
  const { from: _from, to: _to, comesOver: _comes, goesOver: _goes, ...rest } = change;
  return { ...rest, ...at };
}

/** The refusal of words that name no line and no assumption. */
export function nothingCalled(words: string): string {
  return words
    ? `Nothing is called '${words}': choose from the list that opens as you type.`
    : 'Say first which: type some letters of a line or an assumption.';
}

/** A change that is named by the ids of its scenario and its own, in words; nothing where it is there no more. */
export function changeOf(
  all: ScenarioView[],
  ids: string,
): { scenario: string; id: string; words: string } | undefined {
  const [scenario, id] = ids.split(' ');
  const view = all.find((one) => one.scenario.id === scenario);
  const change = view?.changes.find((one) => one.id === id && !one.of);
  return view && change
    ? { scenario: view.scenario.id, id: change.id, words: `${change.target} ${change.act}, of '${view.scenario.name}'` }
    : undefined;
}

/** The acts without a figure of their own. */
export const WHOLE_ACTS: ActKind[] = ['leave-out', 'on-due-dates', 'without-discounts', 'fails'];

const HOW_PAID: ActKind[] = ['paid-later', 'on-due-dates', 'without-discounts'];
const SHIFTS: ActKind[] = ['shift-days', 'shift-months'];

/** The acts of what is neither a line nor a part of one. */
const ACTS_OF: Partial<Record<Change['target']['kind'], ActKind[]>> = {
  assumption: ['set', 'scale', 'add', ...SHIFTS],
  item: ['set', 'leave-out', ...SHIFTS],
  counterparty: [...HOW_PAID, 'fails'],
  part: ['set', 'scale', 'add', 'leave-out', ...SHIFTS],
  terms: [...HOW_PAID, 'never-paid'],
  certainty: ['scale', 'leave-out', ...SHIFTS],
  'base-rate': ['add', 'set', 'scale'],
};

/** What may be done to a target, in the order in which it is offered. */
export function actsFor(target: Change['target'] | undefined): readonly (typeof ACTS)[number][] {
  const of = target && ACTS_OF[target.kind];
  return ACTS.filter((one) => (of ? of.includes(one.value) : one.value !== 'fails'));
}

/** Whether an act can come and go over some months. */
export function canRamp(kind: ActKind | Change['act']['kind']): boolean {
  return ['set', 'scale', 'add', 'leave-out', 'paid-later'].includes(kind);
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
