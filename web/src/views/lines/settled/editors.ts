import type { Component } from 'svelte';
import type { LineView } from '../../../lib/api';
import type { Assumption, Of, Save } from '../save';
import CapitalEditor from './CapitalEditor.svelte';
import DepositEditor from './DepositEditor.svelte';
import DividendsEditor from './DividendsEditor.svelte';
import InterestEditor from './InterestEditor.svelte';
import LoanEditor from './LoanEditor.svelte';
import PayEditor from './PayEditor.svelte';
import ProfitTaxEditor from './ProfitTaxEditor.svelte';
import RevolvingEditor from './RevolvingEditor.svelte';
import SalesTaxEditor from './SalesTaxEditor.svelte';

/** The kinds that are settled by rules. */
export type Settled = Exclude<Assumption['kind'], 'group' | 'stream' | 'recurring' | 'items'>;

type EditorOf<K extends Settled> = Component<{ assumption: Of<K>; save: Save<Of<K>>; view: LineView }>;

/** The one list of what edits a line that is settled by rules, by the word a plan file has for its kind. */
export const EDITORS: { [K in Settled]: EditorOf<K> } = {
  pay: PayEditor,
  'sales-tax': SalesTaxEditor,
  'profit-tax': ProfitTaxEditor,
  capital: CapitalEditor,
  dividends: DividendsEditor,
  revolving: RevolvingEditor,
  loan: LoanEditor,
  deposit: DepositEditor,
  interest: InterestEditor,
};
