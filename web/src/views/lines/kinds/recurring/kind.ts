import { addMonths, monthStart } from '../../../../lib/dates';
import type { KindOfLine } from '../kind';
import RecurringEditor from './RecurringEditor.svelte';

export const RECURRING: KindOfLine<'recurring'> = {
  Editor: RecurringEditor,
  natured: true,
  coming: 'always',
  added: {
    name: 'Again and again',
    sub: 'the same sum every so many weeks, months or years',
    fresh: (asOf) => ({
      kind: 'recurring',
      when: { unit: 'month', every: 1, first: addMonths(monthStart(asOf), 1) },
      amount: [],
    }),
  },
};
