import type { Schemas } from '../../../lib/api';
import type { FieldSpec } from '../../lines/parts/fields';

export type Simulation = Schemas['SimulationView'];
export type Week = Schemas['WeekOfRuns'];

/** So many runs are asked for first, so that something is seen at once. */
export const FIRST_RUNS = 100;

/** What runs are drawn by until somebody says otherwise, as the plan file has it. */
export const USUAL: Schemas['chances'] = { receipts: '15', payments: '5', together: '50', promises: '100' };

export const DOUBTS: FieldSpec[] = [
  { kind: 'percent', field: 'receipts', label: 'doubt of receipts', after: '%' },
  { kind: 'percent', field: 'payments', label: 'of payments', after: '%' },
  { kind: 'percent', field: 'together', label: 'all lines err together in', after: '% of runs' },
  { kind: 'percent', field: 'promises', label: 'promises are kept', after: '%' },
];

/** A chance as it is read: whole percents, tenths where it is small. */
export function chance(hundredths: number): string {
  if (hundredths === 0) return '0%';
  return hundredths < 1000 ? `${(hundredths / 100).toFixed(1)}%` : `${Math.round(hundredths / 100)}%`;
}

const HOW: Record<Schemas['SourceView']['how'], string> = {
  RECORD: 'errs as it did before',
  DOUBT: 'by doubt',
  FIRM: 'firm',
  ITEMS: '',
};

/** How a line is drawn, and what there is of its record. */
export function how(line: Schemas['SourceView'], fewest: number): string {
  const record = line.origins === 1 ? '1 forecast' : `${line.origins} forecasts`;
  if (line.how === 'RECORD') return `${HOW.RECORD}, by ${record}`;
  if (line.how === 'DOUBT')
    return `${HOW.DOUBT}: ${line.origins ? record : 'no forecast'} of ${fewest} that are needed`;
  return HOW[line.how];
}

/** A whole number from 1 to a most, or the sentence that refuses it. */
export function count(typed: string, most: number, name: string): number | string {
  const plain = typed.replaceAll(',', '').trim();
  const number = Number(plain);
  return /^\d{1,9}$/.test(plain) && number >= 1 && number <= most
    ? number
    : `${name} are a whole number from 1 to ${most.toLocaleString('en')}, but was '${typed}'.`;
}
