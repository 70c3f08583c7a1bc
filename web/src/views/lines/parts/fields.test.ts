import { describe, expect, it } from 'vitest';
import { changed, readField, shown, type TypedSpec } from './fields';

function spec(kind: TypedSpec['kind'], optional = false): TypedSpec {
  return { kind, field: 'f', label: 'Name', optional };
}

describe('readField', () => {
  it.each([
    ['amount', '1,250.50', '1250.5'],
    ['amount', '12k', '12000'],
    ['percent', '12.5 %', '12.5'],
    ['whole', ' 30 ', 30],
    ['months', '60', 60],
    ['months', '5 years', 60],
    ['number', '0.25', '0.25'],
    ['month', '2026-03', '2026-03'],
    ['day', '2026-03-09', '2026-03-09'],
    ['text', ' Drivers ', 'Drivers'],
  ] as const)('reads %s %s as %s', (kind, typed, value) => {
    expect(readField(spec(kind), typed)).toEqual({ value });
  });

  it.each(['amount', 'percent', 'whole', 'months', 'number', 'month', 'day'] as const)(
    'refuses what is no %s, naming it',
    (kind) => {
      const reading = readField(spec(kind), 'soon');
      expect(reading).toHaveProperty('refusal', expect.stringContaining("'soon'"));
    },
  );

  it('takes an emptied field out where it may be empty, and refuses it elsewhere', () => {
    expect(readField(spec('day', true), ' ')).toEqual({ value: null });
    expect(readField(spec('day'), ' ')).toHaveProperty('refusal');
    expect(readField(spec('text'), '')).toEqual({ refusal: 'Name must not be empty: type a name.' });
  });
});

it('shows amounts in groups, and nothing for what is not there', () => {
  expect(shown(spec('amount'), '120000.50')).toBe('120,000.50');
  expect(shown(spec('whole'), 30)).toBe('30');
  expect(shown(spec('day'), undefined)).toBe('');
});

it('takes out what is null and keeps the rest', () => {
  expect(changed({ a: 1, b: 2 }, { b: null, c: 3 })).toEqual({ a: 1, c: 3 });
});
