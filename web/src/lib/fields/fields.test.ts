// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/svelte';
import { tick } from 'svelte';
import { describe, expect, it, vi } from 'vitest';
import ChoiceField from './ChoiceField.svelte';
import TypedField from './TypedField.svelte';

function field(): HTMLInputElement {
  return screen.getByRole('textbox');
}

async function type(text: string) {
  await fireEvent.input(field(), { target: { value: text } });
  await fireEvent.change(field());
  await tick();
}

describe('a typed field', () => {
  it('keeps what is refused, with its sentence tied to it, until it is given up', async () => {
    render(TypedField, { value: '5', name: 'Days', onput: (typed: string) => `'${typed}' is no number` });
    await type('soon');
    expect(field().value).toBe('soon');
    const said = await screen.findByRole('alert');
    expect(said.textContent).toBe("'soon' is no number");
    expect(field().getAttribute('aria-describedby')).toBe(said.id);
    expect(field().getAttribute('aria-invalid')).toBe('true');
    await fireEvent.keyDown(field(), { key: 'Escape' });
    expect(field().value).toBe('5');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('keeps what is being typed whatever becomes of the plan meanwhile, and shows the plan once it is saved', async () => {
    const { rerender } = render(TypedField, { value: '5', name: 'Days', onput: () => '' });
    await fireEvent.input(field(), { target: { value: '7' } });
    await rerender({ value: '6' });
    expect(field().value).toBe('7');
    await fireEvent.change(field());
    await tick();
    await rerender({ value: '7 days' });
    expect(field().value).toBe('7 days');
  });

  it('lets the last word hold: an answer to what was typed before says nothing of what was typed since', async () => {
    const answers: ((said: string) => void)[] = [];
    render(TypedField, { value: '5', name: 'Days', onput: () => new Promise<string>((done) => answers.push(done)) });
    await type('one');
    await type('two');
    answers[0]!('one is no number');
    await tick();
    expect(field().value).toBe('two');
    expect(screen.queryByRole('alert')).toBeNull();
    answers[1]!('two is no number');
    expect((await screen.findByRole('alert')).textContent).toBe('two is no number');
  });
});

describe('a choice', () => {
  const options = ['even', { value: 'days', name: 'on certain days' }];
  const select = () => screen.getByRole<HTMLSelectElement>('combobox');
  const choose = (value: string) => fireEvent.change(select(), { target: { value } });

  it('that is not taken is not shown as if it were, and says why beside it', async () => {
    const onput = vi.fn(() => Promise.resolve('There are no such days'));
    render(ChoiceField, { value: 'even', name: 'Spread', options, onput });
    expect([...select().options].map((one) => one.textContent)).toEqual(['even', 'on certain days']);
    await choose('days');
    const said = await screen.findByRole('alert');
    expect(onput).toHaveBeenCalledWith('days');
    expect(select().value).toBe('even');
    expect(select().getAttribute('aria-describedby')).toBe(said.id);
  });

  it('made while the one before is being put in force stands', async () => {
    const answers: ((said: string) => void)[] = [];
    const onput = () => new Promise<string>((done) => answers.push(done));
    const { rerender } = render(ChoiceField, { value: 'even', name: 'Spread', options, onput });
    await choose('days');
    await choose('even');
    await choose('days');
    answers[1]!('too late');
    await tick();
    expect(select().value).toBe('days');
    expect(screen.queryByRole('alert')).toBeNull();
    await rerender({ value: 'days' });
    answers[2]!('');
    await tick();
    expect(select().value).toBe('days');
  });
});
