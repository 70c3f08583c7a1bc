import { describe, expect, it } from 'vitest';
import type { Of } from '../../save';
import { putForfeit, putPart, whenItEnds } from './deposit';

const bare: Of<'deposit'> = {
  kind: 'deposit',
  on: '2026-03-02',
  amount: '250000',
  rate: [],
  dayCount: 'act-365f',
  interestEveryMonths: 0,
};
const deposit: Of<'deposit'> = { ...bare, last: '2026-09-01', rollover: { times: 2, withInterest: false } };

describe('a term deposit', () => {
  it('changes between a last day and notice, and loses what the other cannot have', () => {
    const called = whenItEnds(deposit, 'notice', '2026-09-01');
    expect(called).toEqual({ ...bare, notice: { days: 30 } });
    expect(whenItEnds(called, 'day', '2026-10-01')).toEqual({ ...bare, last: '2026-10-01' });
  });

  it('begins a part with what it cannot do without, and takes it out whole', () => {
    const begin = { times: 1, withInterest: false };
    const rolled = putPart(bare, 'rollover', { withInterest: true }, begin);
    expect(rolled.rollover).toEqual({ times: 1, withInterest: true });
    expect(putPart(rolled, 'rollover', { times: null }, begin, true)).not.toHaveProperty('rollover');
  });

  it('forfeits an amount or days of interest, whichever was typed last', () => {
    const days = putForfeit(deposit, { forfeitDays: 30 }, '2026-06-01');
    expect(days.broken).toEqual({ on: '2026-06-01', forfeitDays: 30 });
    expect(putForfeit(days, { forfeit: '500' }, '2026-06-01').broken).toEqual({ on: '2026-06-01', forfeit: '500' });
    expect(putForfeit(days, { on: null }, '2026-06-01')).not.toHaveProperty('broken');
  });
});
