import { describe, expect, it } from 'vitest';
import { errorWords, furthest, percent, pieces, signedPercent, visible, type Row, type Why } from './track';

const NONE: Why = { timing: 0, amount: 0, unforeseen: 0, gone: 0, open: 0 };

describe('bars of reasons', () => {
  const why: Why = { timing: -60, amount: 20, unforeseen: 10, gone: -20, open: 0 };

  it('lie unfavourable to the left of the middle and favourable to the right, one after another', () => {
    expect(pieces(why, 100, 100)).toEqual([
      { key: 'timing', fill: '#7fbcc0', x: 40, width: 60 },
      { key: 'amount', fill: '#114a5c', x: 100, width: 20 },
      { key: 'unforeseen', fill: '#a9741c', x: 120, width: 10 },
      { key: 'gone', fill: '#b9b09a', x: 20, width: 20 },
    ]);
  });

  it('are scaled by the side that reaches furthest', () => {
    expect(furthest([{ why }, { why: { ...NONE, open: 70 } }])).toBe(80);
    expect(furthest([])).toBe(1);
  });
});

describe('words of a variance', () => {
  it('say new where nothing was forecast, and round for the eye', () => {
    expect(percent({ percentHundredths: null, actual: 5 })).toBe('new');
    expect(percent({ percentHundredths: null, actual: 0 })).toBe('');
    expect(percent({ percentHundredths: -2349, actual: 5 })).toBe('−23%');
    expect(signedPercent(-40)).toBe('+0%');
    expect(errorWords(null)).toBe('none');
    expect(errorWords(1234)).toBe('12%');
  });

  it('leave out rows on which nothing was forecast and nothing happened', () => {
    const row = (id: string, kind: string, forecast: number): Row => ({
      id,
      kind,
      name: id,
      direction: null,
      depth: 0,
      forecast,
      actual: 0,
      variance: -forecast,
      percentHundredths: null,
      why: NONE,
      mustExplain: false,
      note: '',
      decisions: [],
    });
    const rows = [row('receipts', 'section', 0), row('a', 'line', 0), row('b', 'line', 5), row('net', 'net', 0)];
    expect(visible(rows).map(({ id }) => id)).toEqual(['receipts', 'b', 'net']);
  });
});
