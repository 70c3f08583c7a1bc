import { readAmount } from '../../lib/money';

/** Decimal text as whole minor units: "1250.5" with two decimals is 125050. More decimals than that are cut off. */
export function minorOf(amount: string, decimals: number): number {
  const [whole = '0', rest = ''] = amount.replace('-', '').split('.');
  const size = Number(whole + rest.padEnd(decimals, '0').slice(0, decimals));
  return amount.startsWith('-') ? -size : size;
}

/** What typed parts leave of a movement, while typing; null while one of them is no amount. */
export function rest(whole: number, parts: string[], decimals: number): number | null {
  let left = whole;
  for (const part of parts) {
    const amount = readAmount(part);
    if (amount === null) return null;
    left -= minorOf(amount, decimals);
  }
  return left;
}
