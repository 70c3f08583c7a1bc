import { describe, expect, it } from 'vitest';
import { rest } from '../position/dividing';
import { blank, planFile, refusalsOf } from './wizard';

describe('setting up a plan', () => {
  const wizard = () => {
    const made = blank('2026-03-01');
    made.name = 'Kelp';
    made.accounts[0]!.balance = '-1,250.50';
    made.stream.history = ['10k', '', '9k'];
    made.costs[0]!.amount = '4k';
    return made;
  };

  it('makes a plan file of what was typed, leaving out what was not', () => {
    const file = planFile(wizard());
    expect(refusalsOf(wizard())).toEqual({});
    expect(file.accounts![0]!.balance).toBe('-1250.5');
    expect(file.lines!.map((line) => line.name)).toEqual(['Sales', 'Pay']);
    expect(file.lines![0]!.assumption).toMatchObject({
      history: { '2026-02': '10000', '2025-12': '9000' },
      method: { kind: 'fixed', amount: [{ from: '2026-03-01', value: '10000' }] },
    });
  });

  it('says beside every field what is wrong with it', () => {
    const wrong = { ...wizard(), name: ' ', asOf: 'soon' };
    wrong.accounts[0]!.balance = '';
    wrong.stream.oneLater = '60';
    wrong.costs[0]!.first = '32/1/2026';
    expect(Object.keys(refusalsOf(wrong)).sort()).toEqual(['account0', 'asOf', 'cost0', 'name', 'shares']);
    expect(refusalsOf(wrong).shares).toBe('Shares must add up to 100%, but they make 90%.');
  });
});

it('says to the cent what parts leave of a movement', () => {
  expect(rest(100_010, ['1,000', '0.10'], 2)).toBe(0);
  expect(rest(100_010, ['1,000.2'], 2)).toBe(-10);
  expect(rest(100_010, ['x'], 2)).toBeNull();
});
