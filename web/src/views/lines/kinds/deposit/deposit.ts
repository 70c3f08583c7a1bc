import type { Day } from '../../../../lib/dates';
import { changed, type Part } from '../../parts/fields';
import type { Of } from '../../save';

type Deposit = Of<'deposit'>;

/** When a deposit comes back: on a day, or some days after notice. */
export type Ending = 'day' | 'notice';

/** The deposit with the other way of coming back; one at notice is not rolled over. */
export function whenItEnds(now: Deposit, ending: Ending, last: Day): Deposit {
  return ending === 'day'
    ? changed(now, { notice: null, last })
    : changed(now, { last: null, rollover: null, notice: { days: 30 } });
}

/** The deposit with a part of it changed; the part begins with what it cannot do without, and goes when it is taken out. */
export function putPart<K extends 'notice' | 'rollover' | 'running' | 'broken'>(
  now: Deposit,
  name: K,
  part: Part,
  begin: NonNullable<Deposit[K]>,
  out = false,
): Deposit {
  return changed(now, { [name]: out ? null : changed({ ...begin, ...now[name] }, part) });
}

/** The deposit broken early: of an amount and days of interest forfeited, the one typed last counts. */
export function putForfeit(now: Deposit, part: Part, on: Day): Deposit {
  const other: Part = 'forfeit' in part ? { forfeitDays: null } : 'forfeitDays' in part ? { forfeit: null } : {};
  return putPart(now, 'broken', { ...part, ...other }, { on }, part.on === null);
}
