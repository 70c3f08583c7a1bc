import { answer, api, type Schemas } from '../../lib/api';
import { readDay } from '../../lib/dates';
import { readPercent } from '../../lib/money';
import type { PlanState } from '../../lib/plan.svelte';

export type ItemsView = Schemas['OpenItemsView'];
export type ItemView = Schemas['OpenItemView'];
export type Sum = Schemas['Sum'];

/** An open item as a plan file writes it; the server checks it, the views only change parts of it. */
export type ItemJson = Schemas['item'];
export type Kind = ItemJson['kind'];
export type Standing = NonNullable<ItemJson['standing']>;

/** An item as it may be sent: without a due day it is due by its line's terms. */
export type SentItem = Omit<Schemas['sent.item'], 'due'> & { due?: string };

export const KINDS: Record<Kind, { receipt: string; payment: string }> = {
  invoice: { receipt: 'invoice', payment: 'bill' },
  'credit-note': { receipt: 'credit note', payment: 'credit note' },
  order: { receipt: 'sales order', payment: 'purchase order' },
  commitment: { receipt: 'commitment', payment: 'commitment' },
};

/** Where an expected day comes from, in a word or two. */
export const SOURCES: Record<string, string> = {
  analyst: 'typed',
  promise: 'promised',
  habit: 'habit',
  run: 'payment run',
  terms: 'terms',
  'under-way': 'under way',
  held: 'left out',
  doubtful: 'doubtful',
  credit: 'credit',
};

export const STANDINGS = [
  { value: 'normal', name: 'expected' },
  { value: 'held', name: 'held' },
  { value: 'disputed', name: 'disputed' },
  { value: 'cannot-wait', name: 'cannot wait' },
] as const;

export type Show = 'ALL' | 'LATE' | 'SAID' | 'BROKEN' | 'LEFT_OUT' | 'UNDER_WAY';
export type Order = 'EXPECTED' | 'DUE' | 'OPEN' | 'NUMBER' | 'COUNTERPARTY' | 'LINE';

export const SHOWN: { value: Show; name: string }[] = [
  { value: 'ALL', name: 'all of them' },
  { value: 'LATE', name: 'late' },
  { value: 'SAID', name: 'with a day or a word typed' },
  { value: 'BROKEN', name: 'whose day has passed' },
  { value: 'LEFT_OUT', name: 'left out of the forecast' },
  { value: 'UNDER_WAY', name: 'under way at the bank' },
];

/** Puts items, new or changed, as one edit; gives the refusal, or nothing. */
export async function putItems(plan: PlanState, items: SentItem[], words: string): Promise<string> {
  const problem = await plan.edit((version) =>
    answer(
      api.PUT('/api/plans/{plan}/items', {
        params: { path: { plan: plan.id }, query: { version, words } },
        body: items as Schemas['sent.item'][],
      }),
    ),
  );
  return problem?.detail ?? '';
}

/** The item with some of its fields changed; one that is undefined is taken out. */
export function changedItem<T extends SentItem>(item: T, part: Partial<SentItem>): T {
  return Object.fromEntries(Object.entries({ ...item, ...part }).filter(([, value]) => value !== undefined)) as T;
}

/** Reads "2% until 14 Apr 2026" as a discount for paying early; nothing is none, what can't be read is null. */
export function readDiscount(typed: string): { until: string; share: string } | undefined | null {
  if (!typed.trim()) return undefined;
  const found = /^\s*([\d.,]+)\s*%?\s*(?:until|by|,)\s*(.+)$/i.exec(typed);
  const until = found && readDay(found[2]!);
  const share = found && readPercent(found[1]!);
  return until && share ? { until, share } : null;
}
