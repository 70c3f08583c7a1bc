import type { KindOfLine } from '../kind';
import SalesTaxEditor from './SalesTaxEditor.svelte';

export const SALES_TAX: KindOfLine<'sales-tax'> = {
  Editor: SalesTaxEditor,
  coming: 'always',
  added: {
    name: 'Sales tax',
    sub: 'what lines with sales tax owe the state, settled by period',
    only: 'payment',
    fresh: () => ({ kind: 'sales-tax', months: 3, firstMonth: 'january', monthsAfter: 1, day: 31, refundDays: 30 }),
  },
};
