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

  it('keeps the share of cost that a charge had, and gives it back', () => {
    const sheds = { ...owned, owned: { ...owned.owned!, monthly: '0', yearly: '4' } };
    const cost = withUsedUp(sheds, 'cost');
    expect(cost.wear).toEqual({ by: 'cost', yearly: '4' });
    expect(withUsedUp(cost, 'charge')).toEqual(sheds);
  });
});

describe('a register', () => {
  const press: Asset = { ...bought, wear: { by: 'life', yearly: '0' }, owned: { ...owned.owned!, monthly: '0' } };

  it('takes the place of assets of the same name where they stand, and adds the others', () => {
    const names = withRegister([owned, { ...bought, name: 'Van' }], [{ ...press, name: 'Shed' }, press], '2026-03-01');
    expect(names.map((one) => one.name)).toEqual(['Press', 'Van', 'Shed']);
    expect(names[0]).toEqual(press);
  });

  it('keeps what no register says: the sale, tax, terms, and steps to come', () => {
    const step = (date: string) => ({ date, amount: '50', note: '' });
    const there: Asset = {
      ...owned,
      tax: { rate: '20', gross: false, recoverable: '100' },
      termsDays: 30,
      milestones: [step('2026-01-10'), step('2026-05-10')],
      disposal: { date: '2027-01-01', proceeds: '900' },
    };
    expect(withRegister([there], [press], '2026-03-01')).toEqual([
      { ...press, tax: there.tax, termsDays: 30, milestones: [step('2026-05-10')], disposal: there.disposal },
    ]);
  });
});
