import { describe, expect, it } from 'vitest';
import { answer, whileWanted } from './api';

function reply(status: number, error?: unknown, data?: unknown) {
  return Promise.resolve({ data, error, response: new Response(null, { status }) });
}

describe('an answer of the server', () => {
  it('is data where it went well, an empty body too', async () => {
    expect(await answer(reply(200, undefined, { id: 'p' }))).toEqual({ ok: true, data: { id: 'p' } });
    expect(await answer(reply(204))).toEqual({ ok: true, data: undefined });
  });

  it('is the refusal with the places it speaks of', async () => {
    const problems = [{ place: '/lines/0', sentence: 'No name' }];
    expect(await answer(reply(422, { detail: 'One thing needs mending', problems }))).toEqual({
      ok: false,
      problem: { status: 422, detail: 'One thing needs mending', problems },
    });
  });

  it('says at least the status where nothing was said', async () => {
    const got = await answer(reply(500));
    expect(got).toEqual({
      ok: false,
      problem: { status: 500, detail: 'The program refused this (500).', problems: [] },
    });
  });

  it('is a sentence where nobody answered, never an exception', async () => {
    const got = await answer(Promise.reject(new TypeError('fetch failed')));
    expect(got.ok ? '' : got.problem.detail).toContain('nothing was changed');
  });

  it('passes on that it is no longer wanted', async () => {
    const stale = new DOMException('stale', 'AbortError');
    await expect(answer(Promise.reject(stale))).rejects.toBe(stale);
  });
});

describe('a question that is given up', () => {
  it('answers nothing, and a failure of one that is wanted is a failure', async () => {
    const asking = new AbortController();
    expect(await whileWanted(asking.signal, Promise.resolve(7))).toBe(7);
    await expect(whileWanted(asking.signal, Promise.reject(new Error('broken')))).rejects.toThrow('broken');
    asking.abort();
    expect(await whileWanted(asking.signal, Promise.resolve(7))).toBeUndefined();
    expect(await whileWanted(asking.signal, Promise.reject(new Error('aborted')))).toBeUndefined();
  });
});
