import { describe, expect, it } from 'vitest';
import { streamOf } from '../../../../../test/stream';
import type { Method, MethodOf } from '../../../save';
import { FACTORS, freshMethod, keyOf, METHODS, withMethod } from './methods';

const FIRST = '2026-03-01';

describe('the method of a line', () => {
  const fixed: MethodOf<'fixed'> = { kind: 'fixed', amount: [{ from: FIRST, value: '100' }] };

  it('comes back with what was typed into it, whatever was chosen between', () => {
    let line = streamOf(fixed);
    for (const { key } of METHODS) line = withMethod(line, key, FIRST, 'other');
    expect(keyOf(line.method)).toBe('stock');
    expect(line.aside.map(keyOf).sort()).toEqual(
      METHODS.map((one) => one.key)
        .filter((key) => key !== 'stock')
        .sort(),
    );
    const back = withMethod(line, 'fixed', FIRST, 'other');
    expect(back.method).toEqual(fixed);
    expect(back.aside.map(keyOf)).not.toContain('fixed');
  });

  it('stays as it is when it is chosen again', () => {
    const line = streamOf(fixed);
    expect(withMethod(line, 'fixed', FIRST, '')).toBe(line);
  });

  it('begins with the amounts of the one before where it can take them', () => {
    const growing: Method = { kind: 'growth', base: fixed.amount, growth: '0', growthOf: {} };
    expect(freshMethod('growth', fixed, FIRST, '')).toEqual(growing);
    expect(freshMethod('fixed', growing, FIRST, '')).toEqual(fixed);
  });

  it('has a driver for each factor of a product', () => {
    for (const of of ['quantity-price', 'hours-rate', 'market'] as const) {
      const made = freshMethod(of, fixed, FIRST, '');
      expect(keyOf(made)).toBe(of);
      expect(made.kind === 'product' && made.factors).toHaveLength(FACTORS[of].length);
    }
  });
});
