import { describe, expect, it } from 'vitest';
import { usedUp, withRegister, withShare, withUsedUp, type Asset } from './wear';

const bought: Asset = {
  name: 'Press',
  tax: { rate: '0', gross: false, recoverable: '100' },
  milestones: [],
  termsDays: 0,
  service: '2026-04-01',
  lifeMonths: 60,
  residual: '0',
  stepwise: false,
};
const owned: Asset = { ...bought, owned: { cost: '6000', depreciated: '1000', monthly: '100', yearly: '0' } };

describe('how an asset is used up', () => {
  it('is over its life where it is bought, and by its charge where it is owned', () => {
    expect(usedUp(bought)).toBe('life');
    expect(usedUp(owned)).toBe('charge');
  });

  it('takes a share to begin with, keeps one that was typed, and goes back to what is usual', () => {
    const book = withUsedUp(bought, 'book');
    expect(book.wear).toEqual({ by: 'book', yearly: '20' });
    expect(withUsedUp(withShare(book, { yearly: '35' }), 'cost').wear).toEqual({ by: 'cost', yearly: '35' });
    expect(withUsedUp(book, 'life')).toEqual(bought);
  });

  it('lets go of the charge of one that is owned, which said it before', () => {
    const life = withUsedUp(owned, 'life');
    expect(life.wear).toEqual({ by: 'life', yearly: '0' });
    expect(life.owned).toMatchObject({ cost: '6000', monthly: '0' });
    expect(withUsedUp(life, 'charge')).not.toHaveProperty('wear');
    expect(withUsedUp(life, 'life')).toBe(life);
  });
});

describe('a register', () => {
  it('takes the place of assets of the same name where they stand, and adds the others', () => {
    const press = { ...bought, residual: '5' };
    const shed = { ...bought, name: 'Shed' };
    expect(
      withRegister([owned, { ...bought, name: 'Van' }], [shed, press]).map((one) => [one.name, one.residual]),
    ).toEqual([
      ['Press', '5'],
      ['Van', '0'],
      ['Shed', '0'],
    ]);
  });
});
