import type { Of } from '../../save';
import { changed, type Part } from '../../parts/fields';

type Lease = Of<'lease'>;
const THREE = ['financed', 'payment', 'rate'] as const;

/** What is taken out where a third of the three is typed: the one that then follows. */
const FOLLOWS = { financed: 'payment', payment: 'rate', rate: 'payment' } as const;

function isSaid(value: string | null | undefined): boolean {
  return value !== undefined && value !== null && !/^[0.,]*$/.test(value);
}

/** The lease with a part of it changed: of amount, payment and rate two are kept, and that typed last is one of them. */
export function putLease(now: Lease, part: Part): Lease {
  const next = changed(now, part);
  const typed = THREE.find((one) => one in part && part[one] !== null);
  if (!typed || !isSaid(next.financed) || !isSaid(next.payment) || next.rate === undefined) return next;
  return changed(next, { [FOLLOWS[typed]]: null });
}
