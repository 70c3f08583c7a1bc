import { describe, expect, it } from 'vitest';
import { changedItem, readDiscount, type SentItem } from './items';

describe('readDiscount', () => {
  it.each([
    ['2% until 2026-04-14', { until: '2026-04-14', share: '2' }],
    ['1.5 by 14 Apr 2026', { until: '2026-04-14', share: '1.5' }],
    ['  ', undefined],
    ['2%', null],
    ['2% until soon', null],
    ['many% until 2026-04-14', null],
  ])('reads %j', (typed, found) => expect(readDiscount(typed)).toEqual(found));
});

it('takes a field out of an item that becomes undefined', () => {
  const bare = {
    id: 'i',
    kind: 'invoice',
    number: '1',
    counterparty: 'A',
    line: 'l',
    issued: '2026-03-01',
    amount: '5',
  } as const;
  const item: SentItem = { ...bare, promised: '2026-04-01' };
  expect(changedItem(item, { promised: undefined, standing: 'held' })).toEqual({ ...bare, standing: 'held' });
});
