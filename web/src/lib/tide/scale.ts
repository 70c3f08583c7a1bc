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

  /** A path through amounts of days in a row. */
  path(amounts: number[], firstDay: number): string {
    return amounts
      .map((amount, i) => `${i ? 'L' : 'M'}${this.x(firstDay + i).toFixed(1)} ${this.y(amount).toFixed(1)}`)
      .join('');
  }
}
