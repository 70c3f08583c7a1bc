import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Answer, EditOutcome, PlanView } from './api';
import type { Place } from './live.svelte';

const loaded = { version: 7, settings: { currency: 'GBP' }, decimals: 2 } as unknown as PlanView;

vi.mock('./api', async (original) => ({
  ...(await original<typeof import('./api')>()),
  api: { GET: () => Promise.resolve({ data: loaded, response: new Response(null, { status: 200 }) }) },
}));
vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => undefined });
const { PlanState } = await import('./plan.svelte');
const { placeOf, written } = await import('./live.svelte');

function outcome(version: number, meanwhile: string[] = []): Answer<EditOutcome> {
  const view = { ...loaded, version };
  return { ok: true, data: { words: `edit ${version}`, view, meanwhile } as unknown as EditOutcome };
}

function refusal(status: number): Answer<EditOutcome> {
  return { ok: false, problem: { status, detail: `refused ${status}`, problems: [] } };
}

describe('edits of a plan', () => {
  let plan: InstanceType<typeof PlanState>;
  beforeEach(async () => {
    plan = new PlanState('p');
    await plan.load();
  });

  it('wait for one another: each is made on the version the one before left', async () => {
    const seen: number[] = [];
    const slow = plan.edit(async (version) => {
      seen.push(version);
      await new Promise((done) => setTimeout(done, 20));
      return outcome(8);
    });
    const quick = plan.edit((version) => {
      seen.push(version);
      return Promise.resolve(outcome(9));
    });
    expect(plan.busy).toBe(0);
    expect(await slow).toBeNull();
    expect(await quick).toBeNull();
    expect(seen).toEqual([7, 8]);
    expect(plan.version).toBe(9);
    expect(plan.outcome?.words).toBe('edit 9');
    expect(plan.busy).toBe(0);
  });

  it('go on after one that was refused, which keeps its sentence until then', async () => {
    const refused = plan.edit(() => Promise.resolve(refusal(422)));
    expect((await refused)?.detail).toBe('refused 422');
    expect(plan.problem?.detail).toBe('refused 422');
    expect(plan.version).toBe(7);
    expect(await plan.edit(() => Promise.resolve(outcome(8)))).toBeNull();
    expect(plan.problem).toBeUndefined();
  });

  it('go on after one that broke', async () => {
    await expect(plan.edit(() => Promise.reject(new Error('broke')))).rejects.toThrow('broke');
    expect(plan.busy).toBe(0);
    expect(await plan.edit(() => Promise.resolve(outcome(8)))).toBeNull();
  });

  it("are made on the version that the views are of until others' edits have reached them", async () => {
    const seen: number[] = [];
    const edit = (version: number) => {
      seen.push(version);
      return Promise.resolve(outcome(12));
    };
    plan.became((outcome(12, ['Diesel dearer']) as { data: EditOutcome }).data);
    await plan.edit(edit);
    expect(plan.version).toBe(12);
    await new Promise((done) => setTimeout(done, 20));
    await plan.edit(edit);
    expect(seen).toEqual([7, 12]);
  });

  it('show what others changed when one comes too late', async () => {
    plan.became((outcome(3) as { data: EditOutcome }).data);
    expect((await plan.edit(() => Promise.resolve(refusal(409))))?.status).toBe(409);
    expect(plan.version).toBe(7);
  });

  it("hear others' edits after our own that are under way, and none that we made ourselves", async () => {
    plan.became((outcome(3) as { data: EditOutcome }).data);
    const own = plan.edit(async () => {
      await new Promise((done) => setTimeout(done, 20));
      return outcome(5);
    });
    await plan.hear({ version: 5, author: 'me', words: 'edit 5' });
    await own;
    expect([plan.version, plan.heard]).toEqual([5, undefined]);
    await plan.hear({ version: 7, author: 'Ada', words: 'Rent dearer' });
    expect([plan.version, plan.heard?.author]).toEqual([7, 'Ada']);
    const seen: number[] = [];
    await plan.edit((version) => {
      seen.push(version);
      return Promise.resolve(outcome(8));
    });
    expect(seen).toEqual([7]);
    expect(plan.heard).toBeUndefined();
  });

  it('take what the program does for us on its way for our own', async () => {
    plan.ours.add('Statement march.csv brought in');
    await plan.hear({ version: 7, author: 'me', words: 'Statement march.csv brought in' });
    expect([plan.version, plan.heard]).toEqual([7, undefined]);
  });
});

describe('where one looks', () => {
  it.each<Place>([
    { view: 'forecast', row: 'rent', from: '2026-03-02', to: '2026-03-08' },
    { view: 'payments', part: 'rent' },
    { view: 'setup' },
  ])('is read as it was written: %o', (place) => expect(placeOf(written(place))).toEqual(place));
});
