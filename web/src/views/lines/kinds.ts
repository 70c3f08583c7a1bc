import { addMonths, monthStart, type Day } from '../../lib/dates';

/** The kinds of line, in words a person would use. */
export const KINDS = [
  { kind: 'stream', name: 'By month', sub: 'an amount each month, paid by a pattern' },
  { kind: 'recurring', name: 'Again and again', sub: 'the same sum every so many weeks, months or years' },
  { kind: 'items', name: 'Single dates', sub: 'one-off sums, each on its day' },
  { kind: 'group', name: 'Group', sub: 'a heading that gathers other lines' },
] as const;

export type Kind = (typeof KINDS)[number]['kind'];

/** The assumption a new line of a kind begins with; the first month is the first that is forecast. */
export function fresh(kind: Kind, asOf: Day): Record<string, unknown> {
  const first = monthStart(asOf);
  switch (kind) {
    case 'group':
      return { kind };
    case 'items':
      return { kind, items: [] };
    case 'recurring':
      return { kind, when: { unit: 'month', every: 1, first: addMonths(first, 1) }, amount: [] };
    case 'stream':
      return {
        kind,
        method: { kind: 'fixed', amount: [] },
        history: {},
        pattern: { steps: [{ share: '100', lag: 0, discount: '0' }], never: '0' },
      };
  }
}
