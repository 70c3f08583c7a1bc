import { addDays, addMonths, monthStart } from '../../../../lib/dates';
import type { KindOfLine } from '../kind';
import PayEditor from './PayEditor.svelte';

export const PAY: KindOfLine<'pay'> = {
  Editor: PayEditor,
  natured: true,
  coming: 'always',
  added: {
    name: 'Pay',
    sub: 'a team by role, with on-costs and what is withheld',
    only: 'payment',
    fresh: (asOf) => ({
      kind: 'pay',
      roles: [],
      days: { often: 'monthly', first: addDays(addMonths(monthStart(asOf), 1), 27) },
      paidOver: { monthsAfter: 1, day: 22 },
    }),
  },
};
