/** How amounts are shown: rounded to thousands, or full. Rounding is for the eye only. */
export type Unit = 'thousand' | 'full';

export const MINUS = '\u2212';
const DOT = '\u00b7';

/** Shows whole minor units of one currency. */
export class MoneyFormat {
  readonly symbol: string;
  private readonly one: number;
  private readonly whole: Intl.NumberFormat;
  private readonly exact: Intl.NumberFormat;

  constructor(
    readonly currency: string,
    readonly decimals: number,
    readonly unit: Unit,
  ) {
    this.one = 10 ** decimals;
    this.whole = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });
    this.exact = new Intl.NumberFormat('en-GB', { minimumFractionDigits: decimals, maximumFractionDigits: decimals });
    const parts = new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
    this.symbol = parts.formatToParts(0).find((part) => part.type === 'currency')?.value ?? currency;
  }

  /** A figure in a table: a middle dot for zero, thousands or full by choice. */
  cell(minor: number): string {
    if (minor === 0) return DOT;
    return signed(minor, this.unit === 'thousand' ? this.whole.format(this.units(minor, 1000)) : this.plain(minor));
  }

  /** The full figure with its decimals where it has any: 131,480 or 131,480.50. */
  full(minor: number): string {
    return signed(minor, this.plain(minor));
  }

  /** The full figure with the currency's sign: £131,480. */
  sum(minor: number): string {
    return signed(minor, this.symbol + this.plain(minor));
  }

  /** The full figure, and what the base has where that is another. */
  besideBase(minor: number, base?: number | null): string {
    return base === undefined || base === null
      ? this.sum(minor)
      : `${this.sum(minor)} · the base has ${this.sum(base)}`;
  }

  /** A short figure with the currency's sign: £1.34m, £148k, £0. */
  short(minor: number): string {
    const size = Math.abs(minor) / this.one;
    if (size >= 999_500) return signed(minor, `${this.symbol}${this.units(minor, 10_000) / 100}m`);
    if (size >= 1_000) return signed(minor, `${this.symbol}${this.units(minor, 1000)}k`);
    return signed(minor, this.symbol + this.whole.format(this.units(minor, 1)));
  }

  /** A figure as other programs read it: 131480.50. */
  decimal(minor: number): string {
    const digits = String(Math.abs(minor)).padStart(this.decimals + 1, '0');
    const cut = digits.length - this.decimals;
    return (minor < 0 ? '-' : '') + digits.slice(0, cut) + (this.decimals ? '.' + digits.slice(cut) : '');
  }

  /** The words that say the unit: "£ thousand". */
  get words(): string {
    return this.unit === 'thousand' ? `${this.symbol} thousand` : this.symbol;
  }

  private plain(minor: number): string {
    const size = Math.abs(minor) / this.one;
    return Math.abs(minor) % this.one === 0 ? this.whole.format(size) : this.exact.format(size);
  }

  /** Size in units of so many of the currency, half away from zero. */
  private units(minor: number, of: number): number {
    return Math.round(Math.abs(minor) / (this.one * of));
  }
}

/** Puts the minus before a text; what was rounded to nothing bears none. */
function signed(minor: number, text: string): string {
  return minor < 0 && /[1-9]/.test(text) ? MINUS + text : text;
}

/**
 * Reads an amount as people type it: "1,250.50", "12k", "1.2m", "£ 900". Gives decimal text for the server, which keeps
 * every cent, or null when it is no amount.
 */
export function readAmount(typed: string): string | null {
  const text = typed
    .replace(/[\s\u00a0£$€¥]/g, '')
    .replace(/\u2212/g, '-')
    .toLowerCase();
  const match = /^(-?)(\d{1,3}(?:,\d{3})+|\d*)(?:\.(\d*))?([km]?)$/.exec(text);
  if (!match || (!match[2] && !match[3])) return null;
  const [, sign, whole = '', decimals = '', suffix] = match;
  const shift = suffix === 'k' ? 3 : suffix === 'm' ? 6 : 0;
  const moved = decimals.padEnd(shift, '0');
  const digits = whole.replace(/,/g, '') + moved.slice(0, shift);
  const rest = moved.slice(shift).replace(/0+$/, '');
  return sign + (digits.replace(/^0+(?=\d)/, '') || '0') + (rest ? '.' + rest : '');
}

/** The refusal of a text that is no amount. */
export function noAmount(typed: string): string {
  return typed.trim()
    ? `'${typed}' is no amount: type a number such as 1,250.50 or 12k.`
    : 'The amount is missing: type a number such as 1,250.50 or 12k.';
}

/** Decimal text as a field shows it: 200000.00 is 200,000; what is no number stays as it is. */
export function grouped(decimal: string): string {
  const match = /^(-?)(\d+)(?:\.(\d+))?$/.exec(decimal);
  if (!match) return decimal;
  const [, sign, whole = '', rest = ''] = match;
  return sign + whole.replace(/\B(?=(\d{3})+$)/g, ',') + (/[1-9]/.test(rest) ? '.' + rest : '');
}

/** Reads a percentage as typed, "12.5" or "12.5 %"; null when it is none. */
export function readPercent(typed: string): string | null {
  const text = typed.replace(/[\s%]/g, '').replace(/\u2212/g, '-');
  return /^-?\d+(\.\d{1,4})?$|^-?\.\d{1,4}$/.test(text) ? text : null;
}
