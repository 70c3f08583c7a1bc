/** A part of a line as the plan file writes it. */
export type Json = Record<string, unknown>;

/** Saves a changed assumption under words for the change log; gives the refusal, or nothing when it was saved. */
export type Save = (changed: Json, words: string) => Promise<string>;

/** A value that holds from a date. */
export type StepJson = { from: string; value: string };
