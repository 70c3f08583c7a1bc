import { describe, expect, it } from 'vitest';
import { heights, linesOf } from './funding';

describe('linesOf', () => {
  it('gives a facility and a loan a line for their interest', () => {
    const [facility, interest] = linesOf('revolving', 'Quayside revolver', '500000', '2026-03-01');
    expect(facility).toMatchObject({ name: 'Quayside revolver', direction: 'payment' });
    expect(interest).toMatchObject({
      name: 'Interest of Quayside revolver',
      assumption: { kind: 'interest', of: 'line', line: facility!.id },
    });
    const [loan] = linesOf('loan', 'Boat loan', '240000', '2026-03-31');
    expect(loan!.assumption).toMatchObject({
      from: { on: '2026-04-01', amount: '240000' },
      firstPayDay: '2026-05-01',
    });
  });

  it('gives a lease what is financed, and a line for its interest', () => {
    const [lease, interest] = linesOf('lease', 'Crane', '48000', '2026-03-31');
    expect(lease!.assumption).toMatchObject({ kind: 'lease', on: '2026-04-01', financed: '48000' });
    expect(interest!.assumption).toMatchObject({ of: 'line', line: lease!.id });
  });

  it('gives interest on cash no line to be of', () => {
    expect(linesOf('cash', 'Interest on cash', '', '2026-03-01')).toMatchObject([
      { assumption: { kind: 'interest', of: 'cash' } },
    ]);
  });
});

it('draws nothing below zero, and the greatest to the top', () => {
  expect(heights([-5, 0, 50, 100], 100, 200)).toEqual([0, 0, 100, 200]);
  expect(heights([0], 0, 200)).toEqual([0]);
});
