import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlanView } from './api';
import { TimeWindow } from './place.svelte';

const router = vi.hoisted(() => ({ querystring: '', location: '' }));
vi.mock('svelte-spa-router', () => ({ router, push: vi.fn(), replace: vi.fn() }));

describe('the months of a line', () => {
  const view = { tide: { asOf: '2026-03-01', firstDay: '2025-09-01', horizonEnd: '2028-03-31' } } as PlanView;
  const time = new TimeWindow(() => view);

  beforeEach(() => (router.querystring = ''));

  it('are three that are past and nine to come, unless a window is chosen', () =>
    expect(time.monthsOfALine).toEqual({ from: '2026-03-01', history: 3, months: 9 }));

  it.each([
    ['2027-01-01', '2027-12-31', { from: '2027-01-01', history: 0, months: 12 }],
    ['2027-01-15', '2027-02-03', { from: '2027-01-01', history: 0, months: 2 }],
    ['2025-12-29', '2026-05-31', { from: '2026-03-01', history: 3, months: 3 }],
    ['2026-04-01', '2028-03-31', { from: '2026-04-01', history: 0, months: 12 }],
    ['2025-10-01', '2025-12-31', { from: '2026-01-01', history: 3, months: 1 }],
  ])('are those of a window from %s to %s, no more than stand side by side', (from, to, months) => {
    router.querystring = `from=${from}&to=${to}`;
    expect(time.monthsOfALine).toEqual(months);
  });
});
