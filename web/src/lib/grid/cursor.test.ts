import { describe, expect, it } from 'vitest';
import { blockText, GridCursor } from './cursor.svelte';

describe('the cursor of a grid', () => {
  it('moves within the grid and stops at its edges', () => {
    const cursor = new GridCursor(() => [3, 4]);
    for (const key of ['ArrowDown', 'ArrowDown', 'ArrowDown', 'End', 'ArrowRight']) expect(cursor.move(key)).toBe(true);
    expect([cursor.row, cursor.column]).toEqual([2, 3]);
    cursor.move('Home');
    expect(cursor.column).toBe(0);
  });

  it('leaves keys alone that it does not know', () => {
    expect(new GridCursor(() => [3, 4]).move('x')).toBe(false);
  });

  it('grows a block with shift, lets it go without, and gives it as spreadsheets take it', () => {
    const cursor = new GridCursor(() => [5, 5]);
    cursor.set(1, 1);
    cursor.move('ArrowRight', true);
    cursor.move('ArrowDown', true);
    expect(cursor.holds(2, 2)).toBe(true);
    expect(blockText(cursor.block, (r, c) => `${r}.${c}`)).toBe('1.1\t1.2\n2.1\t2.2');
    cursor.move('ArrowLeft');
    expect(cursor.holds(2, 2)).toBe(false);
  });
});
