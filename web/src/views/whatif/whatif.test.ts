import { describe, expect, it } from 'vitest';
import type { PlanView } from '../../lib/api';
import { nextShown } from '../../lib/shell/pennant';
import { act, choices, edge, freeName, nothingCalled } from './whatif';

describe('what a change is of', () => {
  const assumption = {
    path: 'diesel/method/growth',
    lineId: 'diesel',
    line: 'Diesel',
    name: 'growth a month',
    value: '0.4',
    unit: '%',
    from: null,
    note: '',
    changedBy: null,
    changedAt: null,
  };

  it('is found by the words of a line or an assumption, each once', () => {
    const all = choices(
      [assumption, { ...assumption, value: '0.5', from: '2026-05-01' }],
      [
        { id: 'diesel', name: 'Diesel', kind: 'stream' },
        { id: 'goods', name: 'Goods', kind: 'group' },
      ],
    );
    expect(all.map((one) => one.words)).toEqual([
      'Diesel (the whole line)',
      'Goods (the whole group)',
      'Diesel: growth a month',
    ]);
    expect(all[2]?.target).toEqual({ kind: 'assumption', path: 'diesel/method/growth' });
    expect(nothingCalled('Diesl')).toContain("Nothing is called 'Diesl'");
    expect(nothingCalled('')).toContain('Say first which');
  });
});

describe('what a change does', () => {
  it('takes figures as people type them', () => {
    expect(act('set', ' 36,000.50 ')).toEqual({ kind: 'set', value: '36000.50' });
    expect(act('scale', '90%')).toEqual({ kind: 'scale', to: '90' });
    expect(act('paid-later', '-5')).toEqual({ kind: 'paid-later', days: -5 });
    expect(act('leave-out', '')).toEqual({ kind: 'leave-out' });
  });

  it('reads the ends of a range as months or as days', () => {
    expect(edge('Apr 2026', 'from')).toBe('2026-04-01');
    expect(edge('Feb 2028', 'to')).toBe('2028-02-29');
    expect(edge('2026-04-17', 'to')).toBe('2026-04-17');
    expect(edge('', 'to')).toBe('');
    expect(edge('in June', 'to')).toBeNull();
  });
});

describe('scenarios', () => {
  it('get a name that is free', () => {
    expect(freeName('Worse', [])).toBe('Worse');
    expect(freeName('Worse', ['Worse', 'Worse 2'])).toBe('Worse 3');
  });

  it('are shown one after the other, then the base; those put by are left out', () => {
    const scenarios = [
      { id: 'a', name: 'A', putBy: false },
      { id: 'b', name: 'B', putBy: true },
      { id: 'c', name: 'C', putBy: false },
    ];
    const shown = (id?: string) =>
      ({ scenarios, shown: id ? { id, name: id, lost: 0, base: [] } : null }) as unknown as PlanView;
    expect(nextShown(shown())).toBe('a');
    expect(nextShown(shown('a'))).toBe('c');
    expect(nextShown(shown('c'))).toBe('');
  });
});
