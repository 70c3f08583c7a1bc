import { describe, expect, it } from 'vitest';
import { grouped, MoneyFormat, readAmount, readPercent } from './money';

describe('an amount on the screen', () => {
  const thousand = new MoneyFormat('GBP', 2, 'thousand');
  const full = new MoneyFormat('GBP', 2, 'full');

  it('shows zero as a middle dot and a minus as a minus, not a hyphen', () => {
    expect(thousand.cell(0)).toBe('·');
    expect(thousand.cell(-13_148_000)).toBe('−131');
    expect(full.cell(-13_148_050)).toBe('−131,480.50');
  });

  it('rounds half away from zero for the eye only, and gives nothing a sign', () => {
    expect(thousand.cell(-50_000)).toBe('−1');
    expect(thousand.cell(-49_999)).toBe('0');
    expect(full.sum(13_148_000)).toBe('£131,480');
  });

  it('shortens large sums', () => {
    expect([134_000_000, 14_800_000, -9_100, 0].map((minor) => full.short(minor))).toEqual([
      '£1.34m',
      '£148k',
      '−£91',
      '£0',
    ]);
  });

  it('knows currencies without decimals and with three', () => {
    expect(new MoneyFormat('JPY', 0, 'full').decimal(-1250)).toBe('-1250');
    expect(new MoneyFormat('KWD', 3, 'full').decimal(5)).toBe('0.005');
  });
});

describe('an amount as typed', () => {
  it.each([
    ['1,250.50', '1250.5'],
    ['£ 900', '900'],
    ['12k', '12000'],
    ['1.2m', '1200000'],
    ['1.2345k', '1234.5'],
    ['-3.10', '-3.1'],
    ['−3', '-3'],
    ['.5', '0.5'],
    ['9007199254740993.01', '9007199254740993.01'],
  ])('%s is %s, to the last digit', (typed, read) => expect(readAmount(typed)).toBe(read));

  it.each(['', 'abc', '1,2', '12.3.4', '1e5', '-', '.'])('%s is none', (typed) => expect(readAmount(typed)).toBeNull());

  it('reads percentages with at most four decimals', () => {
    expect(['12.5', '12.5 %', '100', '33.33333', 'x'].map(readPercent)).toEqual(['12.5', '12.5', '100', null, null]);
  });

  it('comes back from what a field shows', () => {
    expect(['200000.00', '1234567.50', '-90.10', 'x'].map(grouped)).toEqual(['200,000', '1,234,567.50', '-90.10', 'x']);
    expect(readAmount(grouped('1234567.50'))).toBe('1234567.5');
  });

  it('comes back from what is shown in full', () => {
    const format = new MoneyFormat('GBP', 2, 'full');
    for (let minor = -250_000_000; minor < 250_000_000; minor += 7_654_321) {
      expect(Math.round(Number(readAmount(format.full(minor))) * 100)).toBe(minor);
      expect(Math.round(Number(format.decimal(minor)) * 100)).toBe(minor);
    }
  });
});
