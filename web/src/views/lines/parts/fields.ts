import { noDay, noMonth, readDay, readMonth } from '../../../lib/dates';
import { grouped, noAmount, readAmount, readPercent } from '../../../lib/money';

/** A field that is typed into: what it holds, where that stands in the JSON, and how it is named. */
export interface TypedSpec {
  kind: 'amount' | 'percent' | 'whole' | 'months' | 'number' | 'day' | 'month' | 'text';
  field: string;
  label: string;
  /** What stands behind the field. */
  after?: string;
  /** Whether it may be left empty; then it is taken out. */
  optional?: boolean;
  placeholder?: string;
}

/** One of several, or yes and no. */
export interface ChoiceSpec {
  kind: 'choice';
  field: string;
  label: string;
  options: readonly { value: string | number; name: string }[];
  /** Whether the label is left to those who cannot see the field. */
  hidden?: boolean;
}

export interface FlagSpec {
  kind: 'flag';
  field: string;
  label: string;
}

export type FieldSpec = TypedSpec | ChoiceSpec | FlagSpec;

/** What becomes of a typed text: a value for the JSON (null takes the field out), or a refusal in words. */
export type Reading = { value: string | number | null } | { refusal: string };

function orRefusal(value: string | null, refusal: string): Reading {
  return value === null ? { refusal } : { value };
}

/** How many months a text says: "60", or "5 years"; null if it says none. */
function readMonths(text: string): number | null {
  const said = /^(\d{1,4}) ?(m|months?|y|years?)?$/i.exec(text);
  return said ? Number(said[1]) * (/^y/i.test(said[2] ?? '') ? 12 : 1) : null;
}

/** Reads a text as a field's kind wants it. */
export function readField(spec: TypedSpec, typed: string): Reading {
  const text = typed.trim();
  if (text === '' && spec.optional) return { value: null };
  switch (spec.kind) {
    case 'amount':
      return orRefusal(readAmount(text), noAmount(typed));
    case 'percent':
      return orRefusal(readPercent(text), `'${typed}' is no percentage: type a number such as 12.5.`);
    case 'whole':
      return /^\d{1,4}$/.test(text)
        ? { value: Number(text) }
        : { refusal: `'${typed}' is no whole number: type one such as 30.` };
    case 'months': {
      const months = readMonths(text);
      return months === null
        ? { refusal: `'${typed}' says no months: type a number such as 60, or '5 years'.` }
        : { value: months };
    }
    case 'number':
      return orRefusal(readAmount(text), `'${typed}' is no number: type one such as 12.5.`);
    case 'day':
      return orRefusal(readDay(text), noDay(typed));
    case 'month':
      return orRefusal(readMonth(text), noMonth(typed));
    case 'text':
      return text ? { value: text } : { refusal: `${spec.label} must not be empty: type a name.` };
  }
}

/** The text a field shows for what the JSON holds. */
export function shown(spec: TypedSpec, value: unknown): string {
  if (typeof value !== 'string' && typeof value !== 'number') return '';
  return spec.kind === 'amount' || spec.kind === 'number' ? grouped(String(value)) : String(value);
}

/** What fields put: values by the fields' names; null takes one out. */
export type Part = { readonly [field: string]: string | number | boolean | null };

/** An object whose fields are shown by their names. */
export type Fielded = { readonly [field: string]: unknown };

/** An object with some fields changed; those that are null are taken out. */
export function changed<T extends object>(now: T, part: Part | { readonly [K in keyof T]?: T[K] | null }): T {
  return Object.fromEntries(Object.entries({ ...now, ...part }).filter(([, value]) => value !== null)) as T;
}
