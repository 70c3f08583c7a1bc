import type { Day } from '../../../lib/dates';
import { changed } from '../fields/fields';
import type { Json } from '../save';

/** When a deposit comes back: on a day, or some days after notice. */
export type Ending = 'day' | 'notice';

/** The deposit with the other way of coming back; one at notice is not rolled over. */
export function whenItEnds(now: Json, ending: Ending, last: Day): Json {
  return ending === 'day'
    ? changed(now, { notice: null, last })
    : changed(now, { last: null, rollover: null, notice: { days: 30 } });
}

/** The deposit with a part of it changed; the part begins with what it cannot do without, and goes when it is taken out. */
export function putPart(now: Json, name: string, part: Json, out = false, begin: Json = {}): Json {
  return changed(now, { [name]: out ? null : changed({ ...begin, ...(now[name] as Json | undefined) }, part) });
}

/** The deposit broken early: of an amount and days of interest forfeited, the one typed last counts. */
export function putForfeit(now: Json, part: Json, on: Day): Json {
  const other = 'forfeit' in part ? { forfeitDays: null } : 'forfeitDays' in part ? { forfeit: null } : {};
  return putPart(now, 'broken', { ...part, ...other }, part.on === null, { on });
}
