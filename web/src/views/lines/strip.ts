import { readAmount } from '../../lib/money';
import type { Json } from './save';

/** What typing into months of a strip changes: history before the forecast, typed months or overrides after it. */
export type StripEdit = { month: string; history: boolean; amount: string | null };

/**
 * The assumption after edits of months. History and the months of a typed method take the figure; a computed month is
 * overridden, for which a reason is needed. An amount of null clears what was there.
 */
export function withMonths(assumption: Json, edits: StripEdit[], reason: string): Json {
  const history = { ...((assumption.history ?? {}) as Json) };
  const overrides = { ...((assumption.overrides ?? {}) as Json) };
  const method = assumption.method as Json;
  const amounts = { ...((method.amounts ?? {}) as Json) };
  for (const { month, history: past, amount } of edits) {
    const into = past ? history : method.kind === 'typed' ? amounts : overrides;
    if (amount === null) {
      delete into[month];
      if (!past) delete overrides[month];
    } else {
      into[month] = into === overrides ? { amount, reason } : amount;
    }
  }
  return { ...assumption, history, overrides, method: method.kind === 'typed' ? { ...method, amounts } : method };
}

/** Whether edits override computed months, and so need a reason. */
export function needReason(assumption: Json, edits: StripEdit[]): boolean {
  const typed = (assumption.method as Json).kind === 'typed';
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
