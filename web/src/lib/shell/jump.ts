/** Somewhere the jump box can go. */
export type Target = { name: string; kind: string; path: string };

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
