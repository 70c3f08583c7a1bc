import { describe, expect, it } from 'vitest';
import { cellsOf, TypedGrid, type How } from './typed.svelte';

function grid(refuse = '') {
  const cells = [
    ['1', '2', '3'],
    ['4', '5', '6'],
  ];
  const puts: [string, number, number, How][] = [];
  const made = new TypedGrid({
    size: () => [2, 3],
    text: (row, column) => cells[row]![column]!,
    put: (...put) => {
      puts.push(put);
      return Promise.resolve(refuse);
    },
    begins: /^[\d.]$/,
  });
  return { made, puts };
}

function key(name: string, more: Partial<KeyboardEvent> = {}): KeyboardEvent {
  return { key: name, preventDefault: () => {}, stopPropagation: () => {}, ...more } as KeyboardEvent;
}

function pasted(text: string): ClipboardEvent {
  return { preventDefault: () => {}, clipboardData: { getData: () => text } } as unknown as ClipboardEvent;
}

describe('a grid that is typed into', () => {
  it('begins with the key typed, commits with Enter and goes on below', async () => {
    const { made, puts } = grid();
    made.keydown(key('x'));
    expect(made.editing).toBeUndefined();
    made.keydown(key('7'));
    expect([made.editing, made.typed]).toEqual([{ row: 0, column: 0 }, '7']);
    made.typed = '70 ';
    await made.commit(0, 1);
    expect(puts).toEqual([['70', 0, 0, 'typed']]);
    expect([made.editing, made.cursor.row]).toEqual([undefined, 1]);
    made.keydown(key('Enter'));
    expect(made.typed).toBe('4');
    await made.commit(1, 0);
    expect(puts).toHaveLength(1);
    expect(made.cursor.column).toBe(1);
  });

  it('takes the next figure while the one before is under way', async () => {
    const { made, puts } = grid();
    made.start(0, 0, '70');
    const first = made.commit(0, 1);
    made.keydown(key('8'));
    await first;
    expect([made.editing, made.typed]).toEqual([{ row: 1, column: 0 }, '8']);
    await made.commit(0, 0);
    expect(puts.map((put) => put[0])).toEqual(['70', '8']);
  });

  it('brings what is refused back into its field, and lets it go with Escape', async () => {
    const { made } = grid('That is no such value.');
    made.start(0, 1, 'soon');
    await made.commit(0, 1);
    expect([made.isEditing(0, 1), made.typed, made.refusal]).toEqual([true, 'soon', 'That is no such value.']);
    made.fieldKeydown(key('Escape'));
    expect([made.editing, made.refusal]).toEqual([undefined, '']);
  });

  it('puts blocks that are pasted, and empties the chosen one', async () => {
    const { made, puts } = grid();
    made.cursor.set(0, 1);
    await made.paste(pasted('9\t8\r\n7\t6\r\n'));
    made.cursor.set(0, 0);
    made.keydown(key('ArrowRight', { shiftKey: true }));
    made.keydown(key('Delete'));
    expect(puts).toEqual([
      ['9\t8\r\n7\t6\r\n', 0, 1, 'pasted'],
      ['\t', 0, 0, 'emptied'],
    ]);
  });
});

describe('a block', () => {
  it('falls on cells where it fits whole, and on none where it does not', () => {
    expect(cellsOf('9\t8\r\n7\t6\r\n', 0, 1, [2, 3])).toEqual([
      { row: 0, column: 1, text: '9' },
      { row: 0, column: 2, text: '8' },
      { row: 1, column: 1, text: '7' },
      { row: 1, column: 2, text: '6' },
    ]);
    expect(cellsOf('1\t2\t3', 0, 1, [2, 3])).toEqual({
      refusal:
        'A block of 1 by 3 was pasted, but from here on the sheet has only 2 by 2: begin further up or left. Nothing was changed.',
    });
  });
});

it('puts what is typed on the row that it was begun on, wherever that stands by then', async () => {
  let rows = ['a', 'b', 'c'];
  const puts: [string, string][] = [];
  const made = new TypedGrid({
    size: () => [rows.length, 1],
    text: () => '',
    put: (text, row) => {
      puts.push([rows[row]!, text]);
      return Promise.resolve('');
    },
    begins: /^\d$/,
    known: (row) => rows[row]!,
  });
  made.start(1, 0, '7');
  rows = ['b', 'c', 'a'];
  expect([made.isEditing(0, 0), made.isEditing(1, 0)]).toEqual([true, false]);
  await made.commit(0, 1);
  expect([puts, made.cursor.row]).toEqual([[['b', '7']], 1]);
  made.start(2, 0, '8');
  rows = ['b', 'c'];
  await made.commit(0, 0);
  expect([puts.length, made.refusal]).toEqual([
    1,
    "'8' was typed on a row that is no longer here. Nothing was changed.",
  ]);
});
