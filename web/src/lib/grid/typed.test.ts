import { describe, expect, it } from 'vitest';
import { TypedGrid, type TypedCell } from './typed.svelte';

function grid(refuse = '') {
  const cells = [
    ['1', '2', '3'],
    ['4', '5', '6'],
  ];
  const puts: TypedCell[][] = [];
  const made = new TypedGrid({
    size: () => [2, 3],
    text: (row, column) => cells[row]![column]!,
    put: (typed) => {
      puts.push(typed);
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
    expect(puts).toEqual([[{ row: 0, column: 0, text: '70' }]]);
    expect([made.editing, made.cursor.row]).toEqual([undefined, 1]);
    made.keydown(key('Enter'));
    expect(made.typed).toBe('4');
    await made.commit(1, 0);
    expect(puts).toHaveLength(1);
    expect(made.cursor.column).toBe(1);
  });

  it('keeps what is refused in its field, and lets it go with Escape', async () => {
    const { made } = grid('That is no such value.');
    made.start(0, 1, 'soon');
    await made.commit(0, 1);
    expect([made.isEditing(0, 1), made.typed, made.refusal]).toEqual([true, 'soon', 'That is no such value.']);
    made.fieldKeydown(key('Escape'));
    expect([made.editing, made.refusal]).toEqual([undefined, '']);
  });

  it('takes a block that fits whole, and nothing of one that does not', async () => {
    const { made, puts } = grid();
    made.cursor.set(0, 1);
    await made.paste(pasted('9\t8\r\n7\t6\r\n'));
    expect(puts[0]).toEqual([
      { row: 0, column: 1, text: '9' },
      { row: 0, column: 2, text: '8' },
      { row: 1, column: 1, text: '7' },
      { row: 1, column: 2, text: '6' },
    ]);
    await made.paste(pasted('1\t2\t3'));
    expect(made.refusal).toContain('the sheet has only 2 by 2');
    expect(puts).toHaveLength(1);
    made.cursor.set(0, 0);
    made.keydown(key('ArrowRight', { shiftKey: true }));
    made.keydown(key('Delete'));
    expect(puts[1]).toEqual([
      { row: 0, column: 0, text: '' },
      { row: 0, column: 1, text: '' },
    ]);
  });
});
