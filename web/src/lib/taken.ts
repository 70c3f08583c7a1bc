/**
 * An answer with the parts of the one before wherever they say the same: what is drawn by them is not drawn again.
 * Neither of the two is changed.
 */
export function takenOver<T>(before: unknown, after: T): T;
export function takenOver(before: unknown, after: unknown): unknown {
  if (before === after || !isPart(before) || !isPart(after)) return after;
  if (Array.isArray(before) || Array.isArray(after))
    return Array.isArray(before) && Array.isArray(after) ? listTakenOver(before, after) : after;
  const taken: Record<string, unknown> = {};
  let same = true;
  for (const name in before) same &&= name in after;
  for (const name in after) {
    taken[name] = takenOver(before[name], after[name]);
    same &&= taken[name] === before[name] && name in before;
  }
  return same ? before : taken;
}

/** Long lists of amounts are many: by their numbers, not by names. */
function listTakenOver(before: unknown[], after: unknown[]): unknown[] {
  const taken = after.map((part, i) => takenOver(before[i], part));
  return before.length === after.length && taken.every((part, i) => part === before[i]) ? before : taken;
}

function isPart(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}
