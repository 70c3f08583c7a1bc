/**
 * An answer as it became, with the parts of the one before wherever they say the same: what is drawn by them is not
 * drawn again. The answer's own lists and parts are changed, so it must be nobody else's.
 */
export function takenOver<T>(before: unknown, after: T): T;
export function takenOver(before: unknown, after: unknown): unknown {
  if (before === after || !isPart(before) || !isPart(after)) return after;
  if (Array.isArray(before) || Array.isArray(after))
    return Array.isArray(before) && Array.isArray(after) ? takenInto(before, after) : after;
  let same = true;
  for (const name in before) same &&= name in after;
  for (const name in after) {
    const part = takenOver(before[name], after[name]);
    after[name] = part;
    same &&= part === before[name] && name in before;
  }
  return same ? before : after;
}

/** Long lists of amounts are many: by their numbers, not by names. */
function takenInto(before: unknown[], after: unknown[]): unknown[] {
  let same = before.length === after.length;
  for (let i = 0; i < after.length; i++) {
    const part = takenOver(before[i], after[i]);
    after[i] = part;
    same &&= part === before[i];
  }
  return same ? before : after;
}

function isPart(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}
