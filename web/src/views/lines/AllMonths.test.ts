// @vitest-environment jsdom
import { fireEvent, render, waitFor } from '@testing-library/svelte';
import { tick } from 'svelte';
import { expect, it, vi } from 'vitest';
import { MoneyFormat } from '../../lib/money';
import WithPlan from '../../test/WithPlan.svelte';
import AllMonths from './AllMonths.svelte';

const months = ['2026-03', '2026-04'];
const years = [{ from: '2026-01', to: '2026-12', after: 2 }];
const rows = Array.from({ length: 300 }, (_, i) => ({
  id: `l${i}`,
  name: `Line ${i}`,
  amounts: [i * 100, 0],
  years: [i * 300],
}));
const put = vi.fn((_path: string, _asked: { body: unknown }) =>
  Promise.resolve({ data: {}, response: new Response() }),
);

vi.mock('../../lib/api', async (original) => ({
  ...(await original<object>()),
  api: {
    GET: () => Promise.resolve({ data: { months, years, rows }, response: new Response() }),
    PUT: (path: string, asked: { body: unknown }) => put(path, asked),
  },
}));

it('draws of many lines those in sight, and what is typed lands on the one that the keys reached', async () => {
  const plan = {
    id: 'p',
    version: 1,
    money: new MoneyFormat('GBP', 2, 'full'),
    edit: async (ask: (version: number) => Promise<unknown>) => void (await ask(1)),
  };
  const { container } = render(WithPlan, {
    plan,
    component: AllMonths,
    of: { direction: 'receipt', time: { ahead: () => ({}) } },
  });
  await waitFor(() => expect(container.querySelector('table')).toBeTruthy());
  const grid = container.querySelector('table')!;
  const drawn = () => container.querySelectorAll('tbody tr[data-drawn]');
  expect(drawn().length).toBeLessThan(100);
  expect(grid.getAttribute('aria-rowcount')).toBe('301');
  // The year's total stands beside its months, and is not typed into.
  expect([...grid.querySelectorAll('thead th')].map((one) => one.textContent)).toEqual([
    '',
    'Mar2026',
    'Apr2026',
    'Jan to Dec2026',
  ]);
  const second = drawn()[1]!;
  expect([...second.querySelectorAll('td')].map((one) => one.title)).toEqual(['£1', '£0', '£3']);
  expect(second.querySelectorAll('[role=gridcell]')).toHaveLength(2);
  for (let i = 0; i < 20; i++) {
    await fireEvent.keyDown(grid, { key: 'PageDown' });
    await tick();
  }
  expect(document.activeElement!.closest('tr')!.textContent).toContain('Line 200');
  expect(drawn().length).toBeLessThan(100);

  // Scrolled away meanwhile: what is typed is for the line of the cursor all the same.
  const frame = grid.parentElement!;
  frame.scrollTop = 0;
  await fireEvent.scroll(frame);
  await fireEvent.keyDown(grid, { key: '5' });
  await tick();
  const field = container.querySelector('input')!;
  expect(field.closest('tr')!.textContent).toContain('Line 200');
  await fireEvent.keyDown(field, { key: 'Enter' });
  await waitFor(() => expect(put).toHaveBeenCalledOnce());
  expect(put.mock.calls[0]![1].body).toEqual([{ lineId: 'l200', amounts: { '2026-03': '5' } }]);
});
