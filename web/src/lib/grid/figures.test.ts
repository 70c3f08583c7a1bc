// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/svelte';
import { tick } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import WithPlan from '../../test/WithPlan.svelte';
import { MoneyFormat } from '../money';
import FigureGrid from './FigureGrid.svelte';
import { depth, unfolded, type FigureRow } from './figures';

const rows = [
  { key: 'h', name: 'Operating', style: 'heading', amounts: [] },
  { key: 'in', name: 'Received', style: 'line', amounts: [12_345, 0, 300] },
  { key: 'net', name: 'Net', style: 'sum', amounts: [-700, 800, 900] },
];
const columns = ['Jan', 'Feb', 'Mar'].map((name) => ({ key: name, name, sub: '' }));
const onopen = vi.fn();
const onleave = vi.fn();

function cells(): HTMLElement[] {
  return screen.getAllByRole('gridcell');
}

async function press(key: string, shiftKey = false) {
  await fireEvent.keyDown(screen.getByRole('grid'), { key, shiftKey });
  await tick();
}

describe('a grid of figures', () => {
  beforeEach(() => {
    vi.clearAllMocks();
    const plan = { money: new MoneyFormat('GBP', 2, 'full'), unit: 'full' };
    render(WithPlan, {
      plan,
      component: FigureGrid,
      of: { label: 'Cash', rows, columns, onopen, onleave },
    });
  });

  it('is one stop for Tab, and its keys move within it, past headings', async () => {
    const stops = () => cells().filter((cell) => cell.tabIndex === 0);
    expect(stops()).toHaveLength(1);
    expect(stops()[0]).toBe(cells()[0]);
    await press('ArrowDown');
    await press('End');
    expect(stops()).toHaveLength(1);
    expect(stops()[0]).toBe(cells()[5]);
    expect(document.activeElement).toBe(cells()[5]);
    await press('ArrowRight');
    expect(stops()[0]).toBe(cells()[5]);
  });

  it('opens the figure that it stands on, and leaves', async () => {
    await press('ArrowDown');
    await press('ArrowRight');
    await press('Enter');
    expect(onopen).toHaveBeenCalledWith(rows[2], 1);
    await press('Escape');
    expect(onleave).toHaveBeenCalledOnce();
    await fireEvent.click(cells()[2]!);
    expect(onopen).toHaveBeenLastCalledWith(rows[1], 2);
  });

  it('gives a block as a spreadsheet takes it, in full', async () => {
    await press('ArrowRight', true);
    await press('ArrowDown', true);
    const setData = vi.fn();
    await fireEvent.copy(screen.getByRole('grid'), { clipboardData: { setData } });
    expect(setData).toHaveBeenCalledWith('text/plain', '123.45\t0.00\n-7.00\t8.00');
  });
});

describe('a long grid', () => {
  it('draws the rows in sight alone, and those that the keys reach', async () => {
    const many = Array.from({ length: 500 }, (_, i) => ({
      key: `r${i}`,
      name: `Row ${i}`,
      style: 'line' as const,
      amounts: [i],
    }));
    const plan = { money: new MoneyFormat('GBP', 2, 'full'), unit: 'full' };
    const { container } = render(WithPlan, {
      plan,
      component: FigureGrid,
      of: { label: 'Cash', rows: many, columns: [columns[0]], onopen, onleave },
    });
    // By their tags: to ask so many for their roles takes its time.
    const grid = container.querySelector('table')!;
    const drawn = () => container.querySelectorAll('tbody td');
    expect(drawn().length).toBeLessThan(120);
    expect(grid.getAttribute('aria-rowcount')).toBe('501');
    for (let i = 0; i < 30; i++) {
      await fireEvent.keyDown(grid, { key: 'PageDown' });
      await tick();
    }
    const at = document.activeElement!.closest('tr')!;
    expect(at.textContent).toContain('Row 300');
    expect(at.getAttribute('aria-rowindex')).toBe('302');
    expect(drawn().length).toBeLessThan(120);
    expect(container.querySelectorAll('td[tabindex="0"]')).toHaveLength(1);
  });
});

describe('groups of figures', () => {
  const tree: FigureRow[] = [
    { key: 'g', name: 'Premises', style: 'group', amounts: [30] },
    { key: 'rent', name: 'Rent', style: 'line', group: 'g', amounts: [10] },
    { key: 'p', name: 'Power', style: 'group', group: 'g', amounts: [20] },
    { key: 'gas', name: 'Gas', style: 'line', group: 'p', amounts: [20] },
    { key: 'sum', name: 'Overheads', style: 'sum', amounts: [30] },
  ];
  const names = (...folded: string[]) => unfolded(tree, new Set(folded)).map((row) => row.name);

  it('fold with all that stands in them, however deep', () => {
    expect(names()).toHaveLength(5);
    expect(names('p')).toEqual(['Premises', 'Rent', 'Power', 'Overheads']);
    expect(names('g')).toEqual(['Premises', 'Overheads']);
    expect(tree.map((row) => depth(row, tree))).toEqual([0, 1, 1, 2, 0]);
  });

  it('fold by the space bar and by their mark, and say so', async () => {
    vi.clearAllMocks();
    const onfold = vi.fn();
    const plan = { money: new MoneyFormat('GBP', 2, 'full'), unit: 'full' };
    render(WithPlan, {
      plan,
      component: FigureGrid,
      of: { label: 'L', rows: tree, columns: [columns[0]], onopen, onleave, onfold, folded: new Set(['p']) },
    });
    expect(screen.queryByText('Gas')).toBeNull();
    await press(' ');
    expect(onfold).toHaveBeenLastCalledWith('g');
    await fireEvent.click(screen.getByRole('button', { name: 'Unfold Power' }));
    expect(onfold).toHaveBeenLastCalledWith('p');
    expect(onopen).not.toHaveBeenCalled();
  });
});
