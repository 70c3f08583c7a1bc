import type { Component } from 'svelte';
import type { LineView } from '../../../lib/api';
import type { Json, Save } from '../save';
import CapitalEditor from './CapitalEditor.svelte';
import DepositEditor from './DepositEditor.svelte';
import DividendsEditor from './DividendsEditor.svelte';
import InterestEditor from './InterestEditor.svelte';
import LoanEditor from './LoanEditor.svelte';
import PayEditor from './PayEditor.svelte';
import ProfitTaxEditor from './ProfitTaxEditor.svelte';
import RevolvingEditor from './RevolvingEditor.svelte';
import SalesTaxEditor from './SalesTaxEditor.svelte';

type Editor = Component<{ assumption: Json; save: Save; view: LineView }>;

/** The one list of what edits a line that is settled by rules, by the word a plan file has for its kind. */
export const EDITORS: Record<string, Editor> = {
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
