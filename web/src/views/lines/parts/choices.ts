import { MONTHS_IN_FULL } from '../../../lib/dates';
import type { ChoiceSpec } from './fields';

/** What becomes of a date without banking. */
export const CONVENTION: ChoiceSpec = {
  kind: 'choice',
  field: 'convention',
  label: 'a date without banking becomes',
  options: [
    { value: 'following', name: 'the next business day' },
    { value: 'modified-following', name: 'the next one within the month' },
    { value: 'preceding', name: 'the business day before' },
    { value: 'none', name: 'stays as it is' },
  ],
};

/** A choice of one of the twelve months. */
export function monthChoice(field: string, label: string): ChoiceSpec {
  return {
    kind: 'choice',
    field,
    label,
    options: MONTHS_IN_FULL.map((name) => ({ value: name, name: name[0]!.toUpperCase() + name.slice(1) })),
  };
}
