import type { Schemas } from '../../lib/api';

type Assumption = Schemas['AssumptionView'];

/** The assumptions that hold every word typed, in their line, name, value or note; changed after a time if one is given. */
export function matching(all: Assumption[], words: string, since?: string): Assumption[] {
  const parts = words.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter((one) => {
    const text = `${one.line} ${one.name} ${one.value} ${one.note}`.toLowerCase();
    const changed = since === undefined || (one.changedAt !== null && new Date(one.changedAt) > new Date(since));
    return changed && parts.every((part) => text.includes(part));
  });
}
