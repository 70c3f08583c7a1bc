import { noDay, readDay } from '../../lib/dates';
import type { GridCursor } from '../../lib/grid/cursor.svelte';
import { cellsOf, type How } from '../../lib/grid/typed.svelte';
import { changedItem, readDiscount, STANDINGS, type ItemJson, type ItemView, type SentItem } from './items';

/** What is typed by hand of an item, and what is said of it once it is. */
interface Typed {
  part: Partial<SentItem>;
  said: string;
}

/** A column of the table of items that is typed into. */
interface TypedColumn {
  name: string;
  label: (item: string) => string;
  /** What an item has there, as it would be typed. */
  text: (item: ItemJson) => string;
  /** What it is while nothing is typed. */
  usual: string;
  /** Reads what is typed, nothing as taken out; or gives a refusal. */
  read: (typed: string) => Typed | string;
}

function day(field: 'expected' | 'promised'): TypedColumn['read'] {
  return (typed) => {
    const read = readDay(typed);
    if (!read && typed) return noDay(typed);
    return { part: { [field]: read ?? undefined }, said: read ? ` ${field} ${read}` : `: ${field} day taken out` };
  };
}

function discount(typed: string): Typed | string {
  const read = readDiscount(typed);
  if (read === null) return `'${typed}' is no discount: type one such as 2% until 2026-04-14.`;
  return {
    part: { discount: read },
    said: read ? ` ${read.share}% off until ${read.until}` : ': discount taken out',
  };
}

/** What an item is, by its word or the beginning of it. */
function standing(typed: string): Typed | string {
  const found = STANDINGS.filter((one) => one.name.startsWith(typed.toLowerCase()));
  const one = typed ? (found.length === 1 ? found[0] : undefined) : STANDINGS[0];
  return one
    ? { part: { standing: one.value }, said: ` ${one.name}` }
    : `'${typed}' is nothing that an item can be: type ${STANDINGS.map((some) => some.name).join(', ')}, or how one of these begins.`;
}

export const COLUMNS: TypedColumn[] = [
  {
    name: 'Expect it on',
    label: (item) => `Expect ${item} on`,
    text: (item) => String(item.expected ?? ''),
    usual: '',
    read: day('expected'),
  },
  {
    name: 'Promised for',
    label: (item) => `${item} promised for`,
    text: (item) => String(item.promised ?? ''),
    usual: '',
    read: day('promised'),
  },
  {
    name: 'Discount',
    label: (item) => `Discount of ${item}`,
    text: ({ discount: of }) => (of ? `${of.share}% until ${of.until}` : ''),
    usual: '',
    read: discount,
  },
  {
    name: 'Is',
    label: (item) => `${item} is`,
    text: (item) => standingName(item),
    usual: STANDINGS[0].name,
    read: standing,
  },
];

export function standingName(item: ItemJson): string {
  return STANDINGS.find((one) => one.value === (item.standing ?? 'normal'))!.name;
}

/** What the base has in a column where the scenario that is shown says something else. */
export function inBase({ item, base }: Pick<ItemView, 'item' | 'base'>, column: TypedColumn): string | undefined {
  if (!base) return undefined;
  const { expected, promised, standing } = base;
  const there = column.text(
    changedItem(item, {
      expected: expected ?? undefined,
      promised: promised ?? undefined,
      standing: standing as ItemJson['standing'],
    }),
  );
  return there === column.text(item) ? undefined : there;
}

/** The items of a block as the base has what was chosen of them, and what the edit is called, or that there is none. */
export function itemsOfBase(
  views: Pick<ItemView, 'item' | 'base'>[],
  { top, bottom, left, right }: GridCursor['block'],
): { items: SentItem[]; words: string } {
  const items = views.slice(top, bottom + 1).flatMap((view) => {
    const parts = COLUMNS.slice(left, right + 1).map((column) => {
      const base = inBase(view, column);
      const read = base === undefined ? '' : column.read(base);
      return typeof read === 'string' ? {} : read.part;
    });
    const part = Object.assign({}, ...parts) as Partial<SentItem>;
    return Object.keys(part).length ? [changedItem(view.item, part)] : [];
  });
  const words = items.length > 1 ? `${items.length} items` : items.map(itemName).join('');
  return { items, words: items.length ? `${words} as the base has it` : 'What is chosen is as the base has it.' };
}

export function itemName(item: ItemJson): string {
  return `${item.number} of ${item.counterparty}`;
}

/**
 * Reads a block as it falls on the typed columns of items, from a cell on: the items that it changes, and what the edit
 * is called. Pasted cells that are empty leave what stands. All of a block goes in, or nothing of it.
 */
export function readItems(
  items: ItemJson[],
  text: string,
  top: number,
  left: number,
  how: How,
): { items: SentItem[]; words: string } | { refusal: string } {
  const cells = cellsOf(text, top, left, [items.length, COLUMNS.length]);
  if ('refusal' in cells) return cells;
  const changed = new Map<number, ItemJson>();
  const columns = new Set<string>();
  let words = '';
  for (const cell of cells) {
    if (how === 'pasted' && !cell.text) continue;
    const column = COLUMNS[cell.column]!;
    const item = changed.get(cell.row) ?? items[cell.row]!;
    const read = column.read(cell.text);
    if (typeof read === 'string')
      return {
        refusal: cells.length === 1 ? read : `${column.label(itemName(item))}: ${read} Nothing was changed.`,
      };
    changed.set(cell.row, changedItem(item, read.part));
    columns.add(column.name.toLowerCase());
    words = itemName(item) + read.said;
  }
  return {
    items: [...changed.values()],
    words: changed.size > 1 || columns.size > 1 ? `${changed.size} items: ${[...columns].join(', ')} ${how}` : words,
  };
}
