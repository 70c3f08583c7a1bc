import { describe, expect, it } from 'vitest';
import type { TreeLine } from '../../lib/api';
import { branches, goal, standsIn } from './tree';

describe('the tree of lines', () => {
  const line = (id: string, group: string | null, kind = 'stream') => ({ id, group, kind }) as TreeLine;
  const lines = [line('g', null, 'group'), line('a', 'g'), line('b', 'g'), line('h', null, 'group'), line('c', null)];

  it('stands each line after its group', () => {
    expect(branches(lines).map(({ line, depth }) => line.id + depth)).toEqual(['g0', 'a1', 'b1', 'h0', 'c0']);
  });

  it('moves by keys: up and down among its own, into the group above, out of its group', () => {
    expect(goal(lines, lines[2]!, 'ArrowUp')).toEqual({ group: 'g', before: 'a' });
    expect(goal(lines, lines[1]!, 'ArrowDown')).toEqual({ group: 'g', before: null });
    expect(goal(lines, lines[4]!, 'ArrowRight')).toEqual({ group: 'h', before: null });
    expect(goal(lines, lines[1]!, 'ArrowLeft')).toEqual({ group: null, before: 'h' });
    expect(goal(lines, lines[0]!, 'ArrowUp')).toBeNull();
  });

  it('knows what stands in a group', () => {
    expect(standsIn(lines, lines[1]!, 'g')).toBe(true);
    expect(standsIn(lines, lines[4]!, 'g')).toBe(false);
  });
});
