import { describe, expect, it } from 'vitest';
import { takenOver } from './taken';

type Json = null | number | string | boolean | Json[] | { [name: string]: Json };

/** A value of any shape, from a seed. */
function any(random: () => number, depth = 0): Json {
  const many = () => Array.from({ length: Math.floor(random() * 4) }, () => any(random, depth + 1));
  const kind = Math.floor(random() * (depth > 3 ? 4 : 6));
  if (kind === 4) return many();
  if (kind === 5) return Object.fromEntries(many().map((one, i) => ['abcd'[(i + Math.floor(random() * 2)) % 4]!, one]));
  return [null, Math.floor(random() * 3), random() < 0.5, 'xyz'[Math.floor(random() * 3)]!][kind]!;
}

/** The same value with about one part in ten another. */
function changed(value: Json, random: () => number): Json {
  if (random() < 0.1) return any(random);
  if (Array.isArray(value)) return value.map((one) => changed(one, random));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, changed(one, random)]));
}

function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

describe('what an answer takes over', () => {
  it('says what the answer says, and is the part of before wherever that says the same', () => {
    const random = seeded(7);
    for (let i = 0; i < 3000; i++) {
      const before = any(random);
      const after = changed(before, random);
      const said = JSON.stringify(after);
      const old = JSON.stringify(before);
      const taken = takenOver(before, after);
      expect(JSON.stringify(taken)).toBe(said);
      expect(JSON.stringify(before), 'what was before is left as it was').toBe(old);
      expect(JSON.stringify(after), 'and so is what came').toBe(said);
      if (said === old) expect(taken).toBe(before);
    }
  });

  it('keeps the rows that an edit did not touch', () => {
    const before = {
      rows: [
        { id: 'a', cells: [{ amount: 1 }, { amount: 2 }] },
        { id: 'b', cells: [{ amount: 3 }] },
      ],
    };
    const after = structuredClone(before);
    after.rows[0]!.cells[1]!.amount = 5;
    const taken = takenOver(before, after);
    expect(taken.rows[1]).toBe(before.rows[1]);
    expect(taken.rows[0]!.cells[0]).toBe(before.rows[0]!.cells[0]);
    expect(taken.rows[0]!.cells[1]).toEqual({ amount: 5 });
  });

  it('leaves rows alone that stand in both, at other places', () => {
    const [a, b] = [
      { id: 'a', cells: [{ amount: 1 }] },
      { id: 'b', cells: [{ amount: 1 }] },
    ];
    const [cellsOfA, cellsOfB] = [a.cells, b.cells];
    const taken = takenOver([a, b], [b, a]);
    expect(taken).toEqual([b, a]);
    expect(a.cells).toBe(cellsOfA);
    expect(b.cells).toBe(cellsOfB);
  });

  it('tells a name that is missing from one that is there', () => {
    expect(takenOver({ b: 1 }, { a: undefined })).toEqual({ a: undefined });
    expect(Object.keys(takenOver({ b: 1 }, { a: undefined }))).toEqual(['a']);
  });
});
