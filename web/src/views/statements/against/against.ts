import type { Schemas } from '../../../lib/api';
import { head } from '../../../lib/grid/figures';
import { MINUS } from '../../../lib/money';

type View = Schemas['AgainstView'];

/** A period as it is chosen: "Mar 2026", "Jan to Mar 2026". */
export function periodName(period: { from: string; to: string }): string {
  const { name, sub } = head(period);
  return `${name} ${sub}`;
}

/** The head of a block of columns: its months, and how many of them are actual. */
export function blockName({ blocks }: Pick<View, 'blocks'>, at: number): string {
  const { period, actualMonths, months } = blocks[at]!;
  const of = actualMonths === 0 ? '' : actualMonths >= months ? ', actual' : `, ${actualMonths} of ${months} actual`;
  return `${at === 0 ? '' : 'To date: '}${head(period).name}${of}`;
}

/** A difference in percent of what was planned, to a tenth; what was not planned has none, and is new. */
export function percent(figure: Schemas['AgainstFigure']): string {
  if (figure.difference === null || figure.difference === 0) return '';
  if (figure.percentHundredths === null) return 'new';
  const tenths = Math.round(Math.abs(figure.percentHundredths) / 10);
  return `${figure.percentHundredths < 0 ? MINUS : ''}${(tenths / 10).toFixed(1)}`;
}
