import type { Schemas } from '../../../../lib/api';

/** Terms of the plan that lines share, as the settings write them. */
export type SharedTerms = Schemas['namedTerms'];

/** Terms, whoever holds them. */
export type TermsJson = Omit<SharedTerms, 'id' | 'name'>;

/** The terms among the fields of a line or of shared terms. */
export function termsOf({ pattern, days, target, termsBy }: TermsJson): TermsJson {
  return { pattern, ...(days && { days }), ...(target && { target }), termsBy };
}
