// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/svelte';
import { tick } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import WithPlan from '../../test/WithPlan.svelte';
import { MoneyFormat } from '../../lib/money';
import ActualsTable from './ActualsTable.svelte';

const row = (line: string, name: string) => ({
  line,
  name,
  group: '',
  direction: 'payment',
  proposed: 4_200,
  booked: 0,
  typed: null,
});
const data = {
  account: 'a',
  from: '2026-03-02',
  to: '2026-03-08',
  closing: 0,
  rows: [row('ice', 'Ice'), row('rent', 'Rent'), row('fees', 'Fees')],
};

// The buttons of the form below the table are not asked here, and their package takes seconds to load.
vi.mock('flowbite-svelte', () => ({ Button: () => {} }));

/** Answers to edits, in the order in which they were sent. */
const answers: ((problem: { detail: string } | null) => void)[] = [];
const edit = vi.fn(() => new Promise((done) => answers.push(done)));

function actual(name: string): HTMLInputElement {
  return screen.getByLabelText(`Actual of ${name}`);
}

async function type(name: string, text: string) {
  actual(name).focus();
  await fireEvent.input(actual(name), { target: { value: text } });
}

async function enter(name: string) {
  await fireEvent.keyDown(actual(name), { key: 'Enter' });
}

async function answered(problem: { detail: string } | null) {
  answers.shift()!(problem);
  await tick();
  await tick();
}

describe('actuals typed one below the other', () => {
  beforeEach(() => {
    answers.length = 0;
    edit.mockClear();
    const plan = { id: 'p', edit, money: new MoneyFormat('GBP', 2, 'full') };
    render(WithPlan, { plan, component: ActualsTable, of: { data } });
  });

  it('moves down at once, and an answer that comes later takes the focus from nobody', async () => {
    await type('Ice', '40');
    await enter('Ice');
    expect(document.activeElement).toBe(actual('Rent'));
    await enter('Rent');
    actual('Ice').focus();
    await answered(null);
    await answered(null);
    expect(document.activeElement).toBe(actual('Ice'));
    expect(edit).toHaveBeenCalledTimes(2);
  });

  it('keeps once what Enter and leaving the field both say', async () => {
    await type('Ice', '40');
    await enter('Ice');
    await fireEvent.change(actual('Ice'));
    expect(edit).toHaveBeenCalledOnce();
  });

  it('stays on what is no amount, and keeps what is refused where it was typed', async () => {
    await type('Ice', 'lots');
    await enter('Ice');
    expect(document.activeElement).toBe(actual('Ice'));
    expect(screen.getByRole('alert').textContent).toContain("'lots' is no amount");
    expect(edit).not.toHaveBeenCalled();
    await type('Ice', '40');
    await enter('Ice');
    await answered({ detail: 'The account is closed' });
    expect(actual('Ice').value).toBe('40');
    expect(screen.getByRole('alert').textContent).toBe('The account is closed');
  });

  it('goes on saying what is no amount when the answer to the figure before it comes', async () => {
    await type('Ice', '40');
    await enter('Ice');
    await type('Ice', 'lots');
    await fireEvent.change(actual('Ice'));
    await answered(null);
    expect(actual('Ice').value).toBe('lots');
    expect(screen.getByRole('alert').textContent).toContain("'lots' is no amount");
  });

  it('lets the last word hold: what is typed before the answer stays', async () => {
    await type('Ice', '40');
    await enter('Ice');
    await type('Ice', '41');
    await answered(null);
    expect(actual('Ice').value).toBe('41');
    await enter('Ice');
    await type('Ice', '42');
    await enter('Ice');
    await answered({ detail: 'old news' });
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
