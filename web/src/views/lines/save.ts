import type { Schemas } from '../../lib/api';

/** What a line assumes, as the plan file writes it. */
export type Assumption = Schemas['assumption'];

/** What a line of a kind assumes. */
export type Of<K extends Assumption['kind']> = Extract<Assumption, { kind: K }>;

export type Stream = Of<'stream'>;
export type Method = Schemas['method'];
export type MethodOf<K extends Method['kind']> = Extract<Method, { kind: K }>;
export type Driver = Schemas['driver'];
export type Netting = Schemas['netting'];

/**
 * Saves a change of a part of a line under words for the change log; gives the refusal, or nothing when it was saved. The
 * change is made on the part as edits still under way leave it, so that quick hands overwrite nothing.
 */
export type Save<T> = (change: (now: T) => T, words: string) => Promise<string>;

/** A value that holds from a date. */
export type Step = Schemas['steps'][number];
