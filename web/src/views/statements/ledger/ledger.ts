import type { Schemas } from '../../../lib/api';

/** The most accounts that are shown at a time. */
export const MOST = 200;

/** The month of a day: 2026-03. */
export const monthOf = (day: string) => day.slice(0, 7);

/** The month after another. */
export function monthAfter(month: string): string {
  const at = Number(month.slice(0, 4)) * 12 + Number(month.slice(5, 7));
  return `${String(Math.floor(at / 12)).padStart(4, '0')}-${String((at % 12) + 1).padStart(2, '0')}`;
}

/** The accounts that some words find, those that were not said to be anything first. */
export function shownAccounts(accounts: Schemas['LedgerAccountView'][], words: string): Schemas['LedgerAccountView'][] {
  const low = words.trim().toLowerCase();
  const found = accounts.filter((one) => `${one.account} ${one.name}`.toLowerCase().includes(low));
  return [...found.filter((one) => !isOf(one)), ...found.filter((one) => isOf(one))];
}

/** What an account was said to be, as one choice; empty for nothing. */
export const isOf = (one: Schemas['LedgerAccountView']) =>
  one.row ? `row ${one.row}` : one.line ? `line ${one.line}` : '';

/** What an account can be: nothing yet, a line of the income statement, a row of it, or one of the balance sheet. */
export function choices(
  rows: Schemas['LedgerRowView'][],
  lines: Schemas['TreeLine'][],
): { value: string; name: string }[] {
  const of = (balance: boolean) =>
    rows
      .filter((one) => one.balance === balance)
      .map((one) => ({ value: `row ${one.row}`, name: `${balance ? 'Balance sheet' : 'Income'}: ${one.name}` }));
  return [
    { value: '', name: 'not said yet' },
    ...of(false),
    ...of(true),
    ...lines
      .filter((one) => one.kind !== 'group')
      .map((one) => ({ value: `line ${one.id}`, name: `Line: ${one.name}` })),
  ];
}

/** What is sent for a choice. */
export function said(choice: string): { row: string | null; line: string | null } {
  const what = choice.slice(choice.indexOf(' ') + 1);
  return { row: choice.startsWith('row ') ? what : null, line: choice.startsWith('line ') ? what : null };
}
