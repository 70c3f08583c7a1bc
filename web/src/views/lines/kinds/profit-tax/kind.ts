import type { KindOfLine } from '../kind';
import ProfitTaxEditor from './ProfitTaxEditor.svelte';

export const PROFIT_TAX: KindOfLine<'profit-tax'> = {
  Editor: ProfitTaxEditor,
  coming: 'always',
  added: {
    name: 'Profit tax',
    sub: 'reckoned from what all lines earn, with instalments',
    only: 'payment',
    fresh: () => ({ kind: 'profit-tax', rate: '25', monthsAfter: 9, day: 31 }),
  },
};
