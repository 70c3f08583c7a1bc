import { describe, expect, it } from 'vitest';
import { readGrid } from './months';

const MONTHS = ['2026-03', '2026-04', '2026-05'];

describe('a block pasted on the grid of months', () => {
  it('falls on the lines and months from its first cell on, empty cells left as they are', () => {
    expect(readGrid('1,000\t\n12k\t7.50\n', 1, 1, 4, MONTHS)).toEqual({
      lines: [
        { row: 1, amounts: { '2026-04': '1000' } },
        { row: 2, amounts: { '2026-04': '12000', '2026-05': '7.5' } },
      ],
    });
  });

  it('is refused with its place when a cell is no amount', () => {
    expect(readGrid('1\tmany', 0, 0, 2, MONTHS)).toEqual({
      refusal: "'many' in row 1, column 2 of the block is no amount above zero. Nothing was changed.",
    });
    expect(readGrid('-1', 0, 0, 2, MONTHS)).toHaveProperty('refusal', expect.stringContaining("'-1' is no amount"));
  });

  it('is refused when it reaches beyond the grid', () => {
    expect(readGrid('1\n2\n3', 1, 0, 3, MONTHS)).toHaveProperty('refusal', expect.stringContaining('only 2 lines'));
    expect(readGrid('1\t2\t3', 0, 1, 3, MONTHS)).toHaveProperty('refusal', expect.stringContaining('only 2 months'));
  });
});
