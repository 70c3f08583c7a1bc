// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/svelte';
import { beforeEach, expect, it, vi } from 'vitest';
import WithPlan from '../test/WithPlan.svelte';
import BuoyList from '../views/forecast/BuoyList.svelte';
import PartsPanel from './PartsPanel.svelte';

const opener = document.createElement('button');
const onclose = vi.fn();

beforeEach(() => {
  onclose.mockClear();
  document.body.append(opener);
  opener.focus();
});

const press = (key: string) => fireEvent.keyDown(document.activeElement!, { key });

it('takes the keys where it was asked for, and gives them back when it closes', async () => {
  render(WithPlan, { plan: { view: { buoys: [], lines: [] } }, component: BuoyList, of: { onclose } });
  expect(document.activeElement).toBe(screen.getByRole('complementary', { name: 'Buoys' }));
  await press('Escape');
  expect(onclose).toHaveBeenCalledOnce();
  expect(document.activeElement).toBe(opener);
});

it('leaves them where it follows a grid, and F6 goes into it and back', async () => {
  render(WithPlan, { plan: {}, component: PartsPanel, of: { title: 'Cash', sub: '', parts: {}, onclose } });
  const panel = screen.getByRole('complementary', { name: 'Cash' });
  expect(document.activeElement).toBe(opener);
  await press('F6');
  expect(document.activeElement).toBe(panel);
  await press('F6');
  expect(document.activeElement).toBe(opener);
  await press('F6');
  await fireEvent.click(screen.getByLabelText('Close'));
  expect(onclose).toHaveBeenCalledOnce();
  expect(document.activeElement).toBe(opener);
});
