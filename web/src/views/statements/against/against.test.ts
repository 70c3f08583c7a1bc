import { expect, it } from 'vitest';
import { MINUS } from '../../../lib/money';
import { blockName, percent } from './against';

const figure = (planned: number | null, difference: number | null, percentHundredths: number | null) => ({
  now: 0,
  planned,
  difference,
  percentHundredths,
});

it('says a difference in percent, what was not planned as new, and nothing of what is not known', () => {
  expect(percent(figure(100, -7, -725))).toBe(`${MINUS}7.3`);
  expect(percent(figure(0, 5, null))).toBe('new');
  expect(percent(figure(100, 0, 0))).toBe('');
  expect(percent(figure(null, null, null))).toBe('');
});

it('says which months are actual', () => {
  const period = { from: '2026-01-01', to: '2026-03-31', settled: true, weekOfYear: 1 };
  const blocks = [
    { period: { ...period, from: '2026-03-01' }, actualMonths: 1, months: 1 },
    { period, actualMonths: 2, months: 3 },
  ];
  expect(blockName({ blocks }, 0)).toBe('Mar, actual');
  expect(blockName({ blocks }, 1)).toBe('To date: Jan to Mar, 2 of 3 actual');
});
