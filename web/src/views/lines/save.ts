/** A part of a line as the plan file writes it. */
export type Json = Record<string, unknown>;

/**
 * Saves a change of the assumption under words for the change log; gives the refusal, or nothing when it was saved. The
 * change is made on the assumption as edits still under way leave it, so that quick hands overwrite nothing.
 */
export type Save = (change: (now: Json) => Json, words: string) => Promise<string>;

/** A value that holds from a date. */
export type StepJson = { from: string; value: string };
