import { describe, expect, it } from 'vitest';
import type { PlanView } from './api';
import { monthsOfALine } from './place.svelte';

describe('the months of a line', () => {
  const view = { tide: { asOf: '2026-03-01', firstDay: '2025-09-01', horizonEnd: '2028-03-31' } } as PlanView;

  it('are three that are past and nine to come, unless a window is chosen', () =>
    expect(monthsOfALine(view)).toEqual({ from: '2026-03-01', history: 3, months: 9 }));

  it.each([
    ['2027-01-01', '2027-12-31', { from: '2027-01-01', history: 0, months: 12 }],
    ['2027-01-15', '2027-02-03', { from: '2027-01-01', history: 0, months: 2 }],
    ['2025-12-29', '2026-05-31', { from: '2026-03-01', history: 3, months: 3 }],
    ['2026-04-01', '2028-03-31', { from: '2026-04-01', history: 0, months: 12 }],
    ['2025-10-01', '2025-12-31', { from: '2026-01-01', history: 3, months: 1 }],
  ])('are those of a window from %s to %s, no more than stand side by side', (from, to, months) =>
    expect(monthsOfALine(view, { from, to })).toEqual(months),
  );
});
