import { MONTHS_IN_FULL } from '../../../../lib/dates';

type Month = (typeof MONTHS_IN_FULL)[number];

/** The months in which tax periods of a length end, one of which begins in a month; the last of the year first. */
export function endings(first: Month, length: number): Month[] {
  const begins = MONTHS_IN_FULL.indexOf(first);
  return MONTHS_IN_FULL.filter((_, at) => (at - begins + 1 + 12) % length === 0).reverse();
}
