import { describe, expect, it } from 'vitest';
import type { Json } from '../save';
import { FACTORS, freshMethod, keyOf, METHODS, withMethod } from './methods';

const FIRST = '2026-03-01';

describe('the method of a line', () => {
  const fixed: Json = { kind: 'fixed', amount: [{ from: FIRST, value: '100' }] };

  it('comes back with what was typed into it, whatever was chosen between', () => {
    let line: Json = { kind: 'stream', method: fixed };
    for (const { key } of METHODS) line = withMethod(line, key, FIRST, 'other');
    expect(keyOf(line.method as Json)).toBe('stock');
    expect((line.aside as Json[]).map(keyOf).sort()).toEqual(
      METHODS.map((one) => one.key)
        .filter((key) => key !== 'stock')
        .sort(),
    );
    const back = withMethod(line, 'fixed', FIRST, 'other');
    expect(back.method).toEqual(fixed);
    expect((back.aside as Json[]).map(keyOf)).not.toContain('fixed');
  });

  it('stays as it is when it is chosen again', () => {
    const line = { kind: 'stream', method: fixed };
    expect(withMethod(line, 'fixed', FIRST, undefined)).toBe(line);
  });

  it('begins with the amounts of the one before where it can take them', () => {
    expect(freshMethod('growth', fixed, FIRST, undefined)).toEqual({ kind: 'growth', base: fixed.amount, growth: '0' });
    expect(freshMethod('fixed', { kind: 'growth', base: fixed.amount }, FIRST, undefined).amount).toBe(fixed.amount);
  });

  it('has a driver for each factor of a product', () => {
    for (const [key, names] of Object.entries(FACTORS)) {
      const made = freshMethod(key as never, fixed, FIRST, undefined);
      expect(keyOf(made)).toBe(key);
      expect(made.factors).toHaveLength(names.length);
    }
  });
});
