/** Where days and amounts lie on the tide line, in pixels. */
export class TideScale {
  readonly least: number;
  readonly most: number;

  constructor(
    readonly days: number,
    closing: number[],
    minimum: number[],
    readonly left: number,
    readonly right: number,
    readonly top: number,
    readonly bottom: number,
  ) {
    this.most = Math.max(0, ...closing, ...minimum) * 1.08 || 1;
    this.least = Math.min(0, ...closing) - this.most * 0.08;
  }

  x(day: number): number {
    return this.left + ((this.right - this.left) * day) / Math.max(1, this.days - 1);
  }

  y(amount: number): number {
    return this.bottom - ((this.bottom - this.top) * (amount - this.least)) / (this.most - this.least);
  }

  /** The day under a place, within the line. */
  day(x: number): number {
    const day = Math.round(((x - this.left) / (this.right - this.left)) * (this.days - 1));
    return Math.max(0, Math.min(this.days - 1, day));
  }

  /**
   * A path through the amounts of days in a row. Where days lie closer than the eye can part them, only the least and the
   * most of each two pixels are drawn, in their order.
   */
  path(amounts: number[], firstDay: number): string {
    const each = Math.max(1, Math.floor((2 * this.days) / (this.right - this.left)));
    const points: string[] = [];
    for (let i = 0; i < amounts.length; i += each) {
      const end = Math.min(amounts.length, i + each);
      let [least, most] = [i, i];
      for (let at = i + 1; at < end; at++) {
        if (amounts[at]! < amounts[least]!) least = at;
        if (amounts[at]! > amounts[most]!) most = at;
      }
      for (const at of least === most ? [i] : least < most ? [least, most] : [most, least]) {
        points.push(`${this.x(firstDay + at).toFixed(1)} ${this.y(amounts[at]!).toFixed(1)}`);
      }
    }
    return points.length ? 'M' + points.join('L') : '';
  }
}

/** The outline of a band from a day on: along its upper edge, and back along its lower one. */
export function outline(scale: TideScale, points: { day: number; low: number; high: number }[]): string {
  const at = (day: number, amount: number) => `${scale.x(day).toFixed(1)} ${scale.y(amount).toFixed(1)}`;
  if (points.length < 2) return '';
  const upper = points.map((point) => at(point.day, point.high));
  const lower = points.map((point) => at(point.day, point.low)).reverse();
  return 'M' + [...upper, ...lower].join('L') + 'Z';
}

/** The runs of days in a row that have an amount, first and last day of each. */
export function runs(amounts: number[]): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  amounts.forEach((amount, day) => {
    const last = found.at(-1);
    if (!amount) return;
    if (last && last.to === day - 1) last.to = day;
    else found.push({ from: day, to: day });
  });
  return found;
}
