// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/svelte';
import { expect, it, vi } from 'vitest';
import type { DatedRow } from './dated';
import DatedRows from './DatedRows.svelte';

// The button of the form is not asked here, and its package takes seconds to load.
vi.mock('flowbite-svelte', () => ({ Button: () => {} }));

const there: DatedRow[] = [{ date: '2026-03-01', amount: '5', note: '' }];

async function pasted(text: string) {
  const put = vi.fn<(change: (now: DatedRow[]) => DatedRow[], words: string) => Promise<string>>(() =>
    Promise.resolve(''),
  );
  render(DatedRows, { what: 'item', rows: there, make: (row: DatedRow) => row, put });
  const event = new Event('paste', { bubbles: true, cancelable: true });
  Object.assign(event, { clipboardData: { getData: () => text } });
  await fireEvent(screen.getByLabelText('Date of a new item'), event);
  return { put, taken: event.defaultPrevented };
}

it('dates pasted with their amounts are added in one edit, after those that are there', async () => {
  const { put } = await pasted('2026-04-30\t1,200\tdeposit\r\n\r\n31/5/2026\t12.5k\r\n');
  expect(put).toHaveBeenCalledOnce();
  const [change, words] = put.mock.calls[0]!;
  expect(words).toBe('item: 2 added');
  expect(change(there)).toEqual([
    ...there,
    { date: '2026-04-30', amount: '1200', note: 'deposit' },
    { date: '2026-05-31', amount: '12500', note: '' },
  ]);
});

it('a block with a row that is no date with an amount says which, and nothing of it is added', async () => {
  const { put } = await pasted('2026-04-30\t1,200\n2026-05-31\tsoon');
  expect(put).not.toHaveBeenCalled();
  expect((await screen.findByRole('alert')).textContent).toMatch(/^Row 2 of the block: 'soon' .* Nothing was added\.$/);
});

it('a date pasted alone stays in its field', async () => {
  const { put, taken } = await pasted('2026-04-30\n');
  expect(put).not.toHaveBeenCalled();
  expect(taken).toBe(false);
});
