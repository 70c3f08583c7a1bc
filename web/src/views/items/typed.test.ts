import { describe, expect, it } from 'vitest';
import type { ItemJson, ItemView } from './items';
import { Listing } from './listing';
import { COLUMNS, inBase, itemsOfBase, readItems } from './typed';

function item(number: string, more: Partial<ItemJson> = {}): ItemJson {
  return {
    id: number,
    kind: 'invoice',
    number,
    counterparty: 'Harbour Feast',
    line: 'fish',
    issued: '2026-02-01',
    due: '2026-03-03',
    amount: '120',
    ...more,
  } as ItemJson;
}

describe('an item of which a scenario says something else', () => {
  it('tells in each column that differs what the base has', () => {
    const shown = item('A', { expected: '2026-04-02', standing: 'held' });
    const base = { expected: null, promised: null, standing: 'normal' };
    expect(COLUMNS.map((column) => inBase({ item: shown, base }, column))).toEqual([
      '',
      undefined,
      undefined,
      'expected',
    ]);
    expect(COLUMNS.map((column) => inBase({ item: shown, base: null }, column))).toEqual(COLUMNS.map(() => undefined));
  });

  it("takes the base's in the columns that are chosen, and says where nothing differs", () => {
    const base = { expected: null, promised: '2026-03-09', standing: 'normal' };
    const views = [
      { item: item('A', { expected: '2026-04-02', standing: 'held' }), base },
      { item: item('B'), base: null },
    ];
    expect(itemsOfBase(views, { top: 0, bottom: 1, left: 0, right: 1 })).toEqual({
      items: [item('A', { promised: '2026-03-09', standing: 'held' })],
      words: 'A of Harbour Feast as the base has it',
    });
    expect(itemsOfBase(views, { top: 0, bottom: 0, left: 3, right: 3 }).items[0]).toMatchObject({ standing: 'normal' });
    expect(itemsOfBase(views, { top: 1, bottom: 1, left: 0, right: 3 })).toEqual({
      items: [],
      words: 'What is chosen is as the base has it.',
    });
  });
});

describe('a block typed over open items', () => {
  const items = [item('A', { promised: '2026-03-09' }), item('B'), item('C')];

  it('is one edit of all that it falls on, empty cells of it leaving what stands', () => {
    expect(
      readItems(items, '10/3/2026\t\n\t\n12 Mar 2026\t13 Mar 2026\t2% until 5/3/26\tdisp\n', 0, 0, 'pasted'),
    ).toEqual({
      items: [
        { ...items[0], expected: '2026-03-10' },
        {
          ...items[2],
          expected: '2026-03-12',
          promised: '2026-03-13',
          discount: { until: '2026-03-05', share: '2' },
          standing: 'disputed',
        },
      ],
      words: '2 items: expect it on, promised for, discount, is pasted',
    });
  });

  it('says of one cell what became of it, and takes out what is emptied', () => {
    expect(readItems(items, '2026-03-10', 1, 0, 'typed')).toEqual({
      items: [{ ...items[1], expected: '2026-03-10' }],
      words: 'B of Harbour Feast expected 2026-03-10',
    });
    const taken = readItems(items, '', 0, 1, 'emptied');
    expect(taken).toMatchObject({ words: 'A of Harbour Feast: promised day taken out' });
    expect('items' in taken && 'promised' in taken.items[0]!).toBe(false);
  });

  it.each([
    [
      '2026-03-10\nsoon',
      0,
      0,
      "Expect B of Harbour Feast on: 'soon' is no date: type one such as 2026-07-01 or 1/7/2026. Nothing was changed.",
    ],
    [
      'lost',
      2,
      3,
      "'lost' is nothing that an item can be: type expected, held, disputed, cannot wait, or how one of these begins.",
    ],
    ['2%', 1, 2, "'2%' is no discount: type one such as 2% until 2026-04-14."],
    [
      'a\tb',
      2,
      3,
      'A block of 1 by 2 was pasted, but from here on the sheet has only 1 by 1: begin further up or left. Nothing was changed.',
    ],
  ])('refuses %j in a sentence', (text, row, column, refusal) =>
    expect(readItems(items, text, row, column, 'pasted')).toEqual({ refusal }),
  );
});

it('keeps items where they stand while they are typed on, until another question is asked', () => {
  const listing = new Listing();
  const view = (...ids: string[]) => ids.map((id) => ({ id }) as ItemView);
  const ids = (of: ItemView[]) => of.map((one) => one.id).join('');
  expect(ids(listing.steady(view('a', 'b', 'c'), { order: 'EXPECTED' }))).toBe('abc');
  expect(ids(listing.steady(view('b', 'n', 'c', 'a'), { order: 'EXPECTED' }))).toBe('abnc');
  expect(ids(listing.steady(view('n', 'b', 'a'), { order: 'EXPECTED' }))).toBe('abn');
  expect(ids(listing.steady(view('n', 'b', 'a'), { order: 'DUE' }))).toBe('nba');
});
