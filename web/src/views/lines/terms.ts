import type { Json } from './save';

/** Terms of the plan that lines share, as the settings write them. */
export type SharedTerms = Json & { id: string; name: string };

const FIELDS = ['pattern', 'days', 'target', 'termsBy'];

/** The terms among the fields of a line or of shared terms. */
export function termsOf(from: Json): Json {
  return Object.fromEntries(Object.entries(from).filter(([field]) => FIELDS.includes(field)));
}
