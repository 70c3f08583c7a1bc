// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/svelte';
import { tick } from 'svelte';
import { describe, expect, it } from 'vitest';
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
