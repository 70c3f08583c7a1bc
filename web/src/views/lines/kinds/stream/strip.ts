import { readAmount } from '../../../../lib/money';
import type { Stream } from '../../save';

/** What typing into months of a strip changes: history before the forecast, typed months or overrides after it. */
export type StripEdit = { month: string; history: boolean; amount: string | null };

/**
 * The assumption after edits of months. History and the months of a typed method take the figure; a computed month is
 * overridden, for which a reason is needed. An amount of null clears what was there.
 */
export function withMonths(assumption: Stream, edits: StripEdit[], reason: string): Stream {
  const method = assumption.method;
  const history = { ...assumption.history };
  const overrides = { ...assumption.overrides };
  const amounts = method.kind === 'typed' ? { ...method.amounts } : {};
  for (const { month, history: past, amount } of edits) {
    const into = past ? history : method.kind === 'typed' ? amounts : undefined;
    if (amount === null) {
      if (into) delete into[month];
      if (!past) delete overrides[month];
    } else if (into) {
      into[month] = amount;
    } else {
      overrides[month] = { amount, reason };
    }
  }
  return { ...assumption, history, overrides, method: method.kind === 'typed' ? { ...method, amounts } : method };
}

/** Whether edits override computed months, and so need a reason. */
export function needReason(assumption: Stream, edits: StripEdit[]): boolean {
  const typed = assumption.method.kind === 'typed';
  return edits.some((edit) => !edit.history && !typed && edit.amount !== null);
}

/** Reads a pasted row (or column) of figures; the first that is none is named. Empty fields are passed over. */
export function readBlock(text: string): { amounts: (string | null)[] } | { refusal: string } {
  const fields = text.replace(/\r?\n$/, '').split(/\t|\r?\n/);
  const amounts: (string | null)[] = [];
  for (const [i, field] of fields.entries()) {
    const amount = field.trim() === '' ? null : readAmount(field);
    if (amount === null && field.trim() !== '')
      return { refusal: `Field ${i + 1} of what was pasted, '${field}', is no amount. Nothing was changed.` };
    amounts.push(amount);
  }
  return { amounts };
}
