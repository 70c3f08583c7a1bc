import { describe, expect, it } from 'vitest';
import type { Of } from '../../save';
import { putLease } from './lease';

const lease = {
  kind: 'lease',
  on: '2026-03-02',
  financed: '48000',
  rate: '6',
  payments: 12,
} as Of<'lease'>;

describe('a lease', () => {
  it('keeps two of amount, payment and rate: the one typed last, and what it does not follow from', () => {
    const paid = putLease(lease, { payment: '3644.79' });
    expect(paid).not.toHaveProperty('rate');
    expect(paid.payment).toBe('3644.79');
    expect(putLease(paid, { rate: '5' })).toEqual({ ...lease, rate: '5' });
    expect(putLease({ ...lease, payment: '100', financed: '0' }, { financed: '48000' })).toEqual(lease);
  });

  it('changes all else alone, and lets one be taken out', () => {
    expect(putLease(lease, { payments: 24 })).toEqual({ ...lease, payments: 24 });
    expect(putLease(lease, { rate: null })).not.toHaveProperty('rate');
  });
});
