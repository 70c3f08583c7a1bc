import type { Schemas } from '../api';

/** Somewhere the jump box can go. */
export type Target = { name: string; kind: string; path: string };

/** The assumptions as targets, each once however many values it has in time, with the one that holds last. */
export function ofAssumptions(all: Schemas['AssumptionView'][], pathOf: (lineId: string | null) => string): Target[] {
  const targets = new Map<string, Target>();
  for (const one of all) {
    const name = `${one.line}: ${one.name}`;
    targets.set(name, { name, kind: `${one.value} ${one.unit}`.trim(), path: pathOf(one.lineId) });
  }
  return [...targets.values()];
}

/** The targets whose name holds the letters, those that begin with them first; letters in order count too, last. */
export function matching(targets: Target[], words: string): Target[] {
  const sought = words.trim().toLowerCase();
  if (!sought) return targets;
  const ranked = targets.map((target) => ({ target, rank: rank(target.name.toLowerCase(), sought) }));
  return ranked
    .filter(({ rank }) => rank < 4)
    .sort((a, b) => a.rank - b.rank)
    .map(({ target }) => target);
}

function rank(name: string, sought: string): number {
  if (name.startsWith(sought)) return 0;
  if (name.split(/[^\p{L}\d]+/u).some((word) => word.startsWith(sought))) return 1;
  if (name.includes(sought)) return 2;
  let at = 0;
  for (const letter of name) if (letter === sought[at]) at++;
  return at === sought.length ? 3 : 4;
}
