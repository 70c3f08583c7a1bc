import { describe, expect, it } from 'vitest';
import type { PlanView } from '../../lib/api';
import { nextShown } from '../../lib/shell/pennant';
import { told, toggled } from './beside/beside';
import { chance, count, how } from './likely/likely';
import {
  act,
  actsFor,
  canRamp,
  changeOf,
  choices,
  edge,
  freeName,
  heldAt,
  nothingCalled,
  ofItems,
  parts,
  soughtOfItems,
  typedWhen,
  when,
  wholes,
  type Change,
  type ScenarioView,
} from './whatif';

describe('what may be said of an item', () => {
  it('is found by its whole name too, and read as a day or a word', () => {
    const [day, , standing] = ofItems([{ id: 'i1', item: { number: 'SI-7', counterparty: 'House of Kelp' } }]);
    expect(day!.words).toBe('SI-7 of House of Kelp: day typed');
    expect(soughtOfItems(day!.words)).toBe('SI-7');
    expect(act('set', '3 Jul 2026', day!.target)).toEqual({ kind: 'set', value: '2026-07-03' });
    expect(act('set', 'Cannot wait', standing!.target)).toEqual({ kind: 'set', value: 'cannot-wait' });
    expect(actsFor(day!.target).map((one) => one.value)).toEqual(['set', 'shift-days', 'shift-months', 'leave-out']);
  });
});

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

describe('when a change holds', () => {
  const change = { id: 'c', note: '', on: true, act: { kind: 'scale', to: '90' } } as unknown as Change;

  it('is typed again as it stands, and taken away where nothing is typed', () => {
    const at = when({ from: 'Apr 2026', to: '2026-06-17', comes: '2', goes: '' }, true);
    expect(at).toEqual({ from: '2026-04-01', to: '2026-06-17', comesOver: 2 });
    const held = heldAt(change, at as Partial<Change>);
    expect(when(typedWhen(held), true)).toEqual(at);
    expect(heldAt(held, when({ from: '', to: '', comes: '', goes: '' }, true) as Partial<Change>)).toEqual(change);
    expect(when(typedWhen(held), false)).toEqual({ from: '2026-04-01', to: '2026-06-17' });
  });

  it('is refused by the word that is wrong', () => {
    expect(when({ from: 'soon', to: '', comes: '', goes: '' }, true)).toContain("'soon' is neither a month nor a day");
    expect(when({ from: 'Apr 2026', to: 'never', comes: '', goes: '' }, true)).toContain("'never'");
    expect(when({ from: 'Apr 2026', to: '', comes: '1.5', goes: '' }, true)).toContain("was '1.5'");
    expect(when({ from: 'Apr 2026', to: 'May 2026', comes: '1', goes: 'x' }, true)).toContain("was 'x'");
  });
});

describe('an asset or a role', () => {
  it('is found by its own name and that of its line', () => {
    const found = parts([
      { id: 'crew', name: 'Crew', kind: 'pay', parts: ['Skipper', 'Deckhand'] },
      { id: 'refit', name: 'Refit', kind: 'capital', parts: ['Engine'] },
      { id: 'rent', name: 'Rent', kind: 'recurring', parts: [] },
    ]);
    expect(found.map((one) => one.words)).toEqual([
      'Skipper (a role of Crew)',
      'Deckhand (a role of Crew)',
      'Engine (an asset of Refit)',
    ]);
    expect(found[2]!.target).toEqual({ kind: 'part', line: 'refit', part: 'Engine' });
    expect(actsFor(found[0]!.target).map((one) => one.value)).not.toContain('paid-later');
  });
});

describe('what a change does', () => {
  it('takes figures as people type them', () => {
    expect(act('set', ' 36,000.50 ')).toEqual({ kind: 'set', value: '36000.50' });
    expect(act('scale', '90%')).toEqual({ kind: 'scale', to: '90' });
    expect(act('paid-later', '-5')).toEqual({ kind: 'paid-later', days: -5 });
    expect(act('leave-out', '')).toEqual({ kind: 'leave-out' });
    expect(act('shift-months', '1')).toEqual({ kind: 'shift', by: 1, unit: 'months' });
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

describe('what is neither a line nor one assumption', () => {
  it('is found by its words, and takes the acts that make sense of it', () => {
    const kinds = (all: { target: Parameters<typeof actsFor>[0] }[]) =>
      all.map((one) => actsFor(one.target).map((way) => way.value));
    expect(choices([], [], [], [{ id: 'net30', name: '30 days' }])).toEqual([
      { words: '30 days (shared terms)', target: { kind: 'terms', id: 'net30' }, unit: '' },
    ]);
    expect(wholes().map((one) => one.words)).toContain('Payments that are likely');
    expect(kinds(wholes().slice(-1))).toEqual([['set', 'scale', 'add']]);
    expect(kinds([{ target: { kind: 'terms', id: 'net30' } }])[0]).not.toContain('scale');
    expect(canRamp('add') && !canRamp('fails')).toBe(true);
  });

  it('is a change of a scenario, as long as that has it', () => {
    const view = {
      scenario: { id: 's', name: 'Dearer' },
      changes: [{ id: 'c', target: 'Diesel', act: 'at 110%' }],
    } as unknown as ScenarioView;
    expect(changeOf([view], 's c')?.words).toBe("Diesel at 110%, of 'Dearer'");
    expect(changeOf([view], 's gone')).toBeUndefined();
    expect(changeOf([view], '')).toBeUndefined();
  });
});

describe('who pays', () => {
  it('is a counterparty by name, who pays later or fails', () => {
    const [choice] = choices([], [], [{ direction: 'receipt', name: 'Gull Ltd' }]);
    expect(choice).toEqual({
      words: 'Gull Ltd (a customer)',
      target: { kind: 'counterparty', direction: 'receipt', name: 'Gull Ltd' },
      unit: '',
    });
    expect(actsFor(choice!.target).map((one) => one.value)).toEqual([
      'paid-later',
      'on-due-dates',
      'without-discounts',
      'fails',
    ]);
    expect(actsFor(undefined).map((one) => one.value)).not.toContain('fails');
  });
});

describe('side by side', () => {
  it('takes six at most, and keeps one at least', () => {
    expect(toggled(['base'], 'base')).toEqual(['base']);
    expect(toggled(['base'], 'plan:x')).toEqual(['base', 'plan:x']);
    expect(toggled(['a', 'b', 'c', 'd', 'e', 'f'], 'g')).toHaveLength(6);
    expect(toggled(['a', 'b'], 'a')).toEqual(['b']);
  });

  it('tells rows of which a future says something, or that differ', () => {
    const row = (id: string, amount: number | null, difference: number | null) => ({
      id,
      name: id,
      depth: 0,
      sum: false,
      futures: [{ amounts: [amount], differences: [difference] }],
    });
    const rows = [row('same', 5, 0), row('none', null, null), row('other', 7, 2)];
    expect(told(rows, 0, false).map((one) => one.id)).toEqual(['same', 'other']);
    expect(told(rows, 0, true).map((one) => one.id)).toEqual(['other']);
  });
});

describe('how likely', () => {
  it('is said in whole percents, in tenths where it is small', () => {
    expect([chance(0), chance(12), chance(999), chance(3456)]).toEqual(['0%', '0.1%', '10.0%', '35%']);
  });

  it('is drawn in whole numbers', () => {
    expect(count('1,000', 10000, 'Runs')).toBe(1000);
    expect(count('0', 10000, 'Runs')).toBe("Runs are a whole number from 1 to 10,000, but was '0'.");
  });

  it('says by what a line is drawn', () => {
    const line = { lineId: 'a', name: 'A', how: 'DOUBT' as const, origins: 3 };
    expect(how(line, 8)).toBe('by doubt: 3 forecasts of 8 that are needed');
    expect(how({ ...line, how: 'RECORD', origins: 26 }, 8)).toBe('errs as it did before, by 26 forecasts');
  });
});
