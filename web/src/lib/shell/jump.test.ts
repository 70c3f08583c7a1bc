import { expect, it } from 'vitest';
import { matching } from './jump';

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
