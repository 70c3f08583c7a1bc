import createClient from 'openapi-fetch';
import type { components, paths } from '../generated/api';

export type Schemas = components['schemas'];
export type PlanView = Schemas['PlanView'];
export type TreeLine = Schemas['TreeLine'];
export type LineView = Schemas['LineView'];
export type EditOutcome = Schemas['EditOutcome'];
export type Marks = Schemas['Marks'];
export type TableView = Schemas['TableView'];
export type TableRow = Schemas['TableRow'];
export type CellView = Schemas['CellView'];
export type RollForwardView = Schemas['RollForwardView'];
export type MovementView = Schemas['MovementView'];
export type ProFormaView = Schemas['ProFormaView'];
export type PeriodView = Schemas['PeriodView'];

/** A refusal in words, with the places in what was sent that it speaks of. */
export type Problem = { status: number; detail: string; problems: { place: string; sentence: string }[] };

export type Answer<T> = { ok: true; data: T } | { ok: false; problem: Problem };

/** The token that the server set for its own pages; other origins cannot read it. */
function token(): string {
  return decodeURIComponent(/(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');
}

/**
 * What is looked at: the scenario, which every question and every edit says, empty for the base; and the forecast by
 * its periods and days, which edits bring along, empty where none is shown.
 */
export const looking = { scenario: '', table: '' };

/** Longer than this without a key or a click, nobody is at the page: what it loads then is not for somebody. */
const UNATTENDED_AFTER = 60_000;
let attended = 0;
if (typeof window !== 'undefined') {
  for (const sign of ['pointerdown', 'keydown', 'wheel'] as const) {
    window.addEventListener(sign, () => (attended = performance.now()), { capture: true, passive: true });
  }
}

export const api = createClient<paths>({ baseUrl: '/' });
api.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', token());
    if (request.method !== 'GET' && looking.table) request.headers.set('Ebbtide-Table', looking.table);
    if (performance.now() - attended > UNATTENDED_AFTER) request.headers.set('Ebbtide-Unattended', 'true');
    if (looking.scenario) request.headers.set('Ebbtide-Scenario', looking.scenario);
    return request;
  },
});

/** A file as the one part of a form that is sent. */
export function fileForm(file: Blob, name?: string) {
  const form = new FormData();
  if (name) form.append('file', file, name);
  else form.append('file', file);
  return { body: { file: '' }, bodySerializer: () => form };
}

const UNREACHABLE: Problem = {
  status: 0,
  detail: 'The program does not answer: nothing was changed. See that it still runs, then try again.',
  problems: [],
};

/** Turns a reply of the client into an answer: a failure is a value, never an exception. */
export async function answer<T>(reply: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<Answer<T>> {
  try {
    const { data, error, response } = await reply;
    if (response.ok) return { ok: true, data: data as T };
    const said = (error ?? {}) as Partial<Problem>;
    return {
      ok: false,
      problem: {
        status: response.status,
        detail: said.detail ?? `The program refused this (${response.status}).`,
        problems: said.problems ?? [],
      },
    };
  } catch (failure) {
    if (failure instanceof DOMException && failure.name === 'AbortError') throw failure;
    return { ok: false, problem: UNREACHABLE };
  }
}

/** What is answered while it is still wanted; nothing where the question was given up, which is no failure. */
export function whileWanted<T>(signal: AbortSignal, asked: Promise<T>): Promise<T | undefined> {
  return asked.then(
    (got) => (signal.aborted ? undefined : got),
    (failure: unknown) => {
      if (!signal.aborted) throw failure;
      return undefined;
    },
  );
}
