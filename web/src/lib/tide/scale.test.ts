import { describe, expect, it } from 'vitest';
import { outline, runs, TideScale } from './scale';

describe('the scale of the tide line', () => {
  const closing = Array.from({ length: 900 }, (_, day) => 100_000 * Math.sin(day / 30) - (day === 451 ? 400_000 : 0));
  const scale = new TideScale(
    900,
    closing,
    closing.map(() => 20_000),
    18,
    1148,
    14,
    79,
  );

  it('finds the day under a place, and stays within the line', () => {
    for (const day of [0, 1, 450, 899]) expect(scale.day(scale.x(day))).toBe(day);
    expect(scale.day(-50)).toBe(0);
    expect(scale.day(9_999)).toBe(899);
  });

  it('keeps every amount between top and bottom', () => {
    for (const amount of [...closing, 20_000, 0]) {
      expect(scale.y(amount)).toBeGreaterThanOrEqual(14);
      expect(scale.y(amount)).toBeLessThanOrEqual(79);
    }
  });

  it('draws the lowest day even where days lie closer than pixels', () => {
    const dense = new TideScale(9_000, [...closing, 0], [0], 0, 500, 0, 100);
    const many = Array.from({ length: 9_000 }, (_, day) => (day === 4_321 ? -300_000 : 50_000));
    const path = dense.path(many, 0);
    expect(path).toContain(dense.y(-300_000).toFixed(1));
    expect(path.split('L').length).toBeLessThan(1_200);
  });

  it('draws nothing of nothing', () => expect(scale.path([], 0)).toBe(''));
});

describe('days that fall short', () => {
  it('are runs of days in a row, first and last of each', () => {
    expect(runs([0, 5, 5, 0, 0, 9])).toEqual([
      { from: 1, to: 2 },
      { from: 5, to: 5 },
    ]);
    expect(runs([0, 0])).toEqual([]);
  });
});

describe('the outline of a band', () => {
  it('goes along the upper edge and back along the lower one', () => {
    const scale = new TideScale(11, [0, 100], [0], 0, 100, 0, 100);
    const points = [
      { day: 0, low: 50, high: 50 },
      { day: 10, low: 0, high: 100 },
    ];
    const path = outline(scale, points);
    expect(path.split('L')).toHaveLength(4);
    expect(path.startsWith(`M0.0 ${scale.y(50).toFixed(1)}`)).toBe(true);
    expect(path).toContain(`100.0 ${scale.y(100).toFixed(1)}L100.0 ${scale.y(0).toFixed(1)}`);
    expect(outline(scale, points.slice(0, 1))).toBe('');
  });
});
