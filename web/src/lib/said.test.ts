import { describe, expect, it } from 'vitest';
import { Said } from './said.svelte';

function later(words: string, ms: number): Promise<string> {
  return new Promise((done) => setTimeout(() => done(words), ms));
}

describe('what is said beside a field', () => {
  it('is what the save answers, and tells whether it was saved', async () => {
    const said = new Said();
    expect(await said.of(later('no date', 1))).toBe(false);
    expect(said.words).toBe('no date');
    expect(await said.of(later('', 1))).toBe(true);
    expect(said.words).toBe('');
  });

  it('is the latest word, though an earlier save answers after it', async () => {
    const said = new Said();
    const slow = said.of(later('', 30));
    const quick = said.of(later('too much', 1));
    expect([await quick, await slow]).toEqual([false, true]);
    expect(said.words).toBe('too much');
    const saving = said.of(later('', 10));
    said.now('no amount');
    await saving;
    expect(said.words).toBe('no amount');
  });
});
