import type { Schemas } from '../../../../lib/api';

/** A step of a pattern as it is edited: everything is text until it is saved. */
export type StepDraft = { share: string; lag: string; discount: string };

export type PatternDraft = { steps: StepDraft[]; never: string };

type PatternJson = Schemas['pattern'];

const MOST_DECIMALS = 10_000;

export function draftOf(json: PatternJson): PatternDraft {
  return { steps: json.steps.map((step) => ({ ...step, lag: String(step.lag) })), never: json.never };
}

/** A share in ten-thousandths of a percent: whole numbers, so that shares add up without a rest. Null if it is none. */
function parts(share: string): number | null {
  const value = /^\d+(\.\d{1,4})?$/.test(share.trim()) ? Number(share) : NaN;
  return Number.isNaN(value) || value > 100 ? null : Math.round(value * MOST_DECIMALS);
}

function percent(parts: number): string {
  return String(parts / MOST_DECIMALS);
}

/** What is wrong with a pattern in a sentence, or nothing: the server refuses the same, this only says it sooner. */
export function refusal(draft: PatternDraft): string {
  for (const [i, step] of draft.steps.entries()) {
    if (parts(step.share) === null)
      return `The share of step ${i + 1}, '${step.share}', is no percentage from 0 to 100 with at most four decimals.`;
    if (!/^-?\d{1,2}$/.test(step.lag.trim()))
      return `The months of step ${i + 1}, '${step.lag}', are no whole number such as 0, 1 or −1 (ahead).`;
    if (parts(step.discount) === null)
      return `The discount of step ${i + 1}, '${step.discount}', is no percentage from 0 to 100.`;
  }
  if (parts(draft.never) === null)
    return `The share that is never paid, '${draft.never}', is no percentage from 0 to 100.`;
  const miss = missing(draft);
  if (miss === 0) return '';
  const sum = percent(100 * MOST_DECIMALS - miss);
  return miss > 0
    ? `Shares add up to ${sum}%: ${percent(miss)}% is missing. The last good pattern stays in force.`
    : `Shares add up to ${sum}%: ${percent(-miss)}% too much. The last good pattern stays in force.`;
}

/** What lacks to 100%, in ten-thousandths of a percent; below zero what is too much. */
export function missing(draft: PatternDraft): number {
  const shares = [...draft.steps.map((step) => step.share), draft.never].map((share) => parts(share) ?? 0);
  return 100 * MOST_DECIMALS - shares.reduce((sum, share) => sum + share, 0);
}

/** The pattern with the boundary after a part moved by whole percents: the next part gives what this one takes. */
export function moved(draft: PatternDraft, boundary: number, percents: number): PatternDraft {
  const shares = [...draft.steps.map((step) => step.share), draft.never].map((share) => parts(share) ?? 0);
  const [here, next] = [shares[boundary] ?? 0, shares[boundary + 1] ?? 0];
  const by = Math.max(-here, Math.min(next, percents * MOST_DECIMALS));
  shares[boundary] = here + by;
  shares[boundary + 1] = next - by;
  return {
    steps: draft.steps.map((step, i) => ({ ...step, share: percent(shares[i] ?? 0) })),
    never: percent(shares[draft.steps.length] ?? 0),
  };
}

export function toJson(draft: PatternDraft, before: PatternJson): PatternJson {
  return {
    ...before,
    steps: draft.steps.map((step) => ({
      share: step.share.trim(),
      lag: Number(step.lag),
      discount: step.discount.trim() || '0',
    })),
    never: draft.never.trim() || '0',
  };
}

/** "same month", "1 month later", "2 months ahead" */
export function delayWords(lag: string): string {
  const months = Number(lag);
  if (months === 0) return 'same month';
  const size = Math.abs(months);
  return `${size} ${size === 1 ? 'month' : 'months'} ${months > 0 ? 'later' : 'ahead'}`;
}

/** The colours of the steps, from the soonest on; the last goes on for all after it. */
export const STEP_PAINT = ['#114a5c', '#22707f', '#7fbcc3', '#bfe0de', '#dcefec'];

export function paint(step: number): string {
  return STEP_PAINT[Math.min(step, STEP_PAINT.length - 1)]!;
}
