import type { KindOfLine } from '../kind';
import DividendsEditor from './DividendsEditor.svelte';

export const DIVIDENDS: KindOfLine<'dividends'> = {
  Editor: DividendsEditor,
  coming: 'always',
  added: {
    name: 'Dividends',
    sub: 'what owners are paid out of profit',
    only: 'payment',
    fresh: () => ({
      kind: 'dividends',
      by: 'amount',
      amount: [],
      payout: '40',
      declared: 'june',
      monthsAfter: 0,
      day: 31,
    }),
  },
};
