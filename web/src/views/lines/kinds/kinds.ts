import { CAPITAL } from './capital/kind';
import { DEPOSIT } from './deposit/kind';
import { DIVIDENDS } from './dividends/kind';
import { GROUP } from './group/kind';
import { INTEREST } from './interest/kind';
import { ITEMS } from './items/kind';
import type { Kind, KindOfLine } from './kind';
import { LEASE } from './lease/kind';
import { LOAN } from './loan/kind';
import { PAY } from './pay/kind';
import { PROFIT_TAX } from './profit-tax/kind';
import { RECURRING } from './recurring/kind';
import { REVOLVING } from './revolving/kind';
import { SALES_TAX } from './sales-tax/kind';
import { STREAM } from './stream/kind';

/** The one list of the kinds of line, by the word a plan file has for each, in the order in which they are offered. */
export const KINDS: { [K in Kind]: KindOfLine<K> } = {
  stream: STREAM,
  recurring: RECURRING,
  items: ITEMS,
  pay: PAY,
  'sales-tax': SALES_TAX,
  'profit-tax': PROFIT_TAX,
  capital: CAPITAL,
  dividends: DIVIDENDS,
  revolving: REVOLVING,
  loan: LOAN,
  lease: LEASE,
  deposit: DEPOSIT,
  interest: INTEREST,
  group: GROUP,
};
