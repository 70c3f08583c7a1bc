import { describe, expect, it } from 'vitest';
import { streamOf } from '../../../../test/stream';
import { draftOf, missing, moved, refusal, toJson } from './pattern';
import { needReason, readBlock, withMonths } from './strip';

describe('a pattern while it is edited', () => {
  const draft = draftOf({
    steps: [
      { share: '35', lag: 0, discount: '0' },
      { share: '45', lag: 1, discount: '2' },
      { share: '17', lag: 2, discount: '0' },
    ],
    never: '3',
  });

  it('names by how much shares miss 100% and that the last good pattern stays', () => {
    const short = { ...draft, never: '0.5' };
    expect(missing(short)).toBe(25_000);
    expect(refusal(short)).toBe('Shares add up to 97.5%: 2.5% is missing. The last good pattern stays in force.');
    expect(refusal({ ...draft, never: '5' })).toContain('2% too much');
    expect(refusal(draft)).toBe('');
  });

  it('adds shares up without a rest, where decimal fractions would leave one', () => {
    const thirds = {
      steps: ['33.3333', '33.3333', '33.3334'].map((share) => ({ share, lag: '0', discount: '0' })),
      never: '0',
    };
    expect(missing(thirds)).toBe(0);
  });

  it('keeps 100% and never goes below nothing however a boundary is dragged', () => {
    for (const percents of [-80, -7, 3, 60]) {
      for (let boundary = 0; boundary < 3; boundary++) {
        const next = moved(draft, boundary, percents);
        expect(missing(next)).toBe(0);
        expect([...next.steps.map((s) => Number(s.share)), Number(next.never)].every((share) => share >= 0)).toBe(true);
      }
    }
  });

  it('names the field that is no number', () => {
    expect(refusal({ ...draft, steps: [{ share: 'x', lag: '0', discount: '0' }] })).toContain("'x', is no percentage");
    expect(refusal({ ...draft, steps: [{ share: '97', lag: '1.5', discount: '0' }] })).toContain('no whole number');
  });

  it('goes to the file and back', () => expect(draftOf(toJson(draft, { steps: [], never: '0' }))).toEqual(draft));
});

describe('typing into a monthly strip', () => {
  const growing = {
    ...streamOf({ kind: 'growth', base: [], growth: '0', growthOf: {} }),
    history: { '2026-01': '5' },
  };
  const typed = streamOf({ kind: 'typed', amounts: {} });
  const march = { month: '2026-03', history: false, amount: '7' };

  it('overrides a computed month with a reason, and types into a typed one', () => {
    expect(needReason(growing, [march])).toBe(true);
    expect(withMonths(growing, [march], 'contract').overrides).toEqual({
      '2026-03': { amount: '7', reason: 'contract' },
    });
    expect(needReason(typed, [march])).toBe(false);
    expect(withMonths(typed, [march], '').method).toEqual({ kind: 'typed', amounts: { '2026-03': '7' } });
  });

  it('changes history before the forecast, and clears', () => {
    expect(withMonths(growing, [{ month: '2026-01', history: true, amount: null }], '').history).toEqual({});
  });

  it('reads a pasted block, and refuses it whole for one bad field', () => {
    expect(readBlock('1,000\t\t12k\n')).toEqual({ amounts: ['1000', null, '12000'] });
    expect(readBlock('1\tabout ten')).toEqual({
      refusal: "Field 2 of what was pasted, 'about ten', is no amount. Nothing was changed.",
    });
  });
});
