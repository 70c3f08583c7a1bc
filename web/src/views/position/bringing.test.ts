import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlanState } from '../../lib/plan.svelte';

type Reply = { data?: unknown; error?: unknown; response: Response };
const replies: Reply[] = [];
const asked: string[] = [];

function next(path: string): Promise<Reply> {
  asked.push(path.replace('/api/plans/{plan}/bank-files', ''));
  return Promise.resolve(replies.shift()!);
}

vi.mock('../../lib/api', async (original) => ({
  ...(await original<typeof import('../../lib/api')>()),
  api: { GET: next, POST: next, DELETE: next },
}));
const { BringingIn } = await import('./bringing.svelte');

function ok(data: unknown) {
  replies.push({ data, response: new Response(null, { status: 200 }) });
}

function refused(detail: string) {
  replies.push({ error: { detail }, response: new Response(null, { status: 422 }) });
}

const file = { id: 'f', name: 'current.csv', format: null, statements: [], dialect: { separator: ',' }, rows: [] };

function job(state: string, more = {}) {
  return { id: 'j', state, sentence: '', badRows: 0, lastDay: null, outcome: null, ...more };
}

describe('the bringing in of a file', () => {
  const became = vi.fn();
  const plan = {
    id: 'p',
    view: {
      accounts: [
        { id: 'a', name: 'Current' },
        { id: 'b', name: 'Reserve' },
      ],
    },
    settings: { firstDayOfWeek: 'monday' },
    ours: new Set<string>(),
    became,
  } as unknown as PlanState;

  beforeEach(() => vi.useFakeTimers());
  afterEach(() => {
    vi.useRealTimers();
    asked.length = replies.length = 0;
    became.mockReset();
  });

  async function handed() {
    ok(file);
    const work = new BringingIn(plan, [new File(['x'], 'current-account.csv')]);
    await vi.advanceTimersByTimeAsync(0);
    return work;
  }

  it('tells the account from the name of the file', async () => {
    const work = await handed();
    expect(work.account).toBe('a');
    expect(work.file?.id).toBe('f');
  });

  it('asks how far it is until it is done, then shows what it did and how far the week is known', async () => {
    const work = await handed();
    ok(job('READING'));
    ok(job('KEEPING'));
    ok(job('DONE', { sentence: '3 movements brought in.', lastDay: '2026-03-06', outcome: { words: 'in' } }));
    void work.take(false);
    await vi.advanceTimersByTimeAsync(149);
    expect(asked.filter((path) => path.startsWith('/jobs'))).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(1000);
    expect(asked.filter((path) => path.startsWith('/jobs'))).toHaveLength(2);
    expect(work.said).toBe('3 movements brought in.');
    expect(work.reach, 'a Friday has said all of its week').toBe('2026-03-08');
    expect(became).toHaveBeenCalledWith({ words: 'in' });
    expect(work.current).toBeUndefined();
  });

  it('stops asking when it is refused, or ended without being kept, and says why', async () => {
    const work = await handed();
    ok(job('READING'));
    refused('There is no running import');
    void work.take(false);
    await vi.advanceTimersByTimeAsync(2000);
    expect(work.refusal).toBe('There is no running import');
    expect(asked.filter((path) => path.startsWith('/jobs'))).toHaveLength(1);
    ok(job('BAD_ROWS', { badRows: 2, sentence: '2 rows could not be taken' }));
    void work.take(false);
    await vi.advanceTimersByTimeAsync(2000);
    expect(work.job?.state).toBe('BAD_ROWS');
    expect(became).not.toHaveBeenCalled();
    expect(work.current?.name).toBe('current-account.csv');
  });
});
