import { describe, expect, it } from 'vitest';
import { putForfeit, putPart, whenItEnds } from './deposit';

const deposit = { kind: 'deposit', on: '2026-03-02', amount: '250000', last: '2026-09-01', rollover: { times: 2 } };

describe('a term deposit', () => {
  it('changes between a last day and notice, and loses what the other cannot have', () => {
    const called = whenItEnds(deposit, 'notice', '2026-09-01');
    expect(called).toEqual({ kind: 'deposit', on: '2026-03-02', amount: '250000', notice: { days: 30 } });
    expect(whenItEnds(called, 'day', '2026-10-01')).toEqual({
      kind: 'deposit',
      on: '2026-03-02',
      amount: '250000',
      last: '2026-10-01',
    });
  });

  it('begins a part with what it cannot do without, and takes it out whole', () => {
    const rolled = putPart({ ...deposit, rollover: undefined }, 'rollover', { withInterest: true }, false, {
      times: 1,
    });
    expect(rolled.rollover).toEqual({ times: 1, withInterest: true });
    expect(putPart(rolled, 'rollover', { times: null }, true)).not.toHaveProperty('rollover');
  });

  it('forfeits an amount or days of interest, whichever was typed last', () => {
    const days = putForfeit(deposit, { forfeitDays: 30 }, '2026-06-01');
    expect(days.broken).toEqual({ on: '2026-06-01', forfeitDays: 30 });
    expect(putForfeit(days, { forfeit: '500' }, '2026-06-01').broken).toEqual({ on: '2026-06-01', forfeit: '500' });
    expect(putForfeit(days, { on: null }, '2026-06-01')).not.toHaveProperty('broken');
  });
});
