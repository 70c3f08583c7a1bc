import { expect, it } from 'vitest';
import type { Schemas } from '../api';
import { matching, ofAssumptions } from './jump';

const TARGETS = ['Grocery chains', 'Export distributors', 'Rent of sheds', 'Shop rent'].map((name) => ({
  name,
  kind: '',
  path: name,
}));

it('puts names that begin with the letters first, then words, then letters in order', () => {
  expect(matching(TARGETS, 'rent').map((t) => t.name)).toEqual(['Rent of sheds', 'Shop rent']);
  expect(matching(TARGETS, 'chain').map((t) => t.name)).toEqual(['Grocery chains']);
  expect(matching(TARGETS, 'xds').map((t) => t.name)).toEqual(['Export distributors']);
  expect(matching(TARGETS, ' ')).toHaveLength(4);
});

it('goes to an assumption by its line and name, once however many values it has in time', () => {
  const rate = (value: string) =>
    ({ lineId: 'l', line: 'Harbour loan', name: 'rate', value, unit: '%' }) as Schemas['AssumptionView'];
  const minimum = { lineId: null, line: '', name: 'minimum cash', value: '60,000.00', unit: 'GBP' };
  const found = ofAssumptions([rate('3'), rate('3.5'), minimum as Schemas['AssumptionView']], (id) => `to ${id}`);
  expect(found[0]).toEqual({ name: 'Harbour loan: rate', kind: '3.5 %', path: 'to l' });
  expect(matching(found, 'rate')).toHaveLength(1);
  expect(found[1]!.path).toBe('to null');
});
