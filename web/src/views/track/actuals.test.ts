import { expect, it } from 'vitest';
import { pasted } from './actuals';

it('reads a pasted column line by line, keeping the place of empty ones', () => {
  expect(pasted('1,200\r\n\r\n-3.5\r\n')).toEqual(['1,200', '', '-3.5']);
  expect(pasted('\t12k\tnote\n7')).toEqual(['12k', '7']);
  expect(pasted('one')).toEqual(['one']);
});
