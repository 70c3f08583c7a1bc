import type { TreeLine } from '../../lib/api';

/** A line with its depth in the tree. */
export type Branch = { line: TreeLine; depth: number };

/** The lines as they stand below each other, each after its group. */
export function branches(lines: TreeLine[], group: string | null = null, depth = 0): Branch[] {
  return lines
    .filter((line) => line.group === group)
    .flatMap((line) => [{ line, depth }, ...branches(lines, line.id, depth + 1)]);
}

/** Where a line goes: into which group (null: the top), before which line (null: to the end). */
export type Goal = { group: string | null; before: string | null };

function siblings(lines: TreeLine[], line: TreeLine): TreeLine[] {
  return lines.filter((other) => other.group === line.group);
}

/** The goal of moving a line for a key, or null where it can't go further. */
export function goal(lines: TreeLine[], line: TreeLine, key: string): Goal | null {
  const row = siblings(lines, line);
  const at = row.findIndex((other) => other.id === line.id);
  if (key === 'ArrowUp') return at > 0 ? { group: line.group, before: row[at - 1]!.id } : null;
  if (key === 'ArrowDown') return at < row.length - 1 ? { group: line.group, before: row[at + 2]?.id ?? null } : null;
  if (key === 'ArrowRight') {
    const above = row.slice(0, at).findLast((other) => other.kind === 'group');
    return above ? { group: above.id, before: null } : null;
  }
  const parent = lines.find((other) => other.id === line.group);
  if (key === 'ArrowLeft' && parent) {
    const around = siblings(lines, parent);
    return { group: parent.group, before: around[around.findIndex((other) => other.id === parent.id) + 1]?.id ?? null };
  }
  return null;
}

/** Whether a line stands in a group, however deep: a group can't be put into itself. */
export function standsIn(lines: TreeLine[], line: TreeLine, group: string): boolean {
  const parent = lines.find((other) => other.id === line.group);
  return line.id === group || (parent !== undefined && standsIn(lines, parent, group));
}
