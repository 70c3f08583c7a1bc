import { describe, expect, it } from 'vitest';
import { matching } from './assumptions';

function assumption(line: string, name: string, changedAt: string | null) {
  return {
    path: `${line}/${name}`,
    lineId: line,
    line,
    name,
    value: '1,250',
    unit: 'GBP',
    from: null,
    note: 'Seen in the lease',
    changedBy: 'ann',
    changedAt,
  };
}

describe('looking through assumptions', () => {
  const all = [
    assumption('Rent of sheds', 'amount each time', '2026-03-02T09:00:00Z'),
    assumption('Rent of sheds', 'more each year', null),
    assumption('Diesel', 'base a month', '2026-02-01T09:00:00+01:00'),
  ];

  it('finds what holds every word, wherever it stands', () => {
    expect(matching(all, 'RENT year')).toEqual([all[1]]);
    expect(matching(all, 'lease 1,250')).toHaveLength(3);
    expect(matching(all, 'rent boat')).toHaveLength(0);
    expect(matching(all, '  ')).toHaveLength(3);
  });

  it('leaves out what was not changed since, whatever the zone of a time', () => {
    expect(matching(all, '', '2026-02-01T08:30:00Z')).toEqual([all[0]]);
    expect(matching(all, '', '2026-02-01T07:59:59Z')).toEqual([all[0], all[2]]);
    expect(matching(all, 'diesel', '2026-03-01T00:00:00Z')).toEqual([]);
  });
});
