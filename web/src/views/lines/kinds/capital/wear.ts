import type { Schemas } from '../../../../lib/api';
import type { Day } from '../../../../lib/dates';
import { changed, type Part } from '../../parts/fields';

/** An asset bought, used up and sold, as the plan file writes it. */
export type Asset = Schemas['asset'];

/** How an asset is used up: over its life, by a share of cost or of book value, or by the charge of what is owned. */
export type UsedUp = 'life' | 'cost' | 'book' | 'charge';

const BEGUN_AT = '20';

/** How an asset is used up. */
export function usedUp(asset: Asset): UsedUp {
  return asset.wear?.by ?? (asset.owned ? 'charge' : 'life');
}

/** The asset used up in another way: of a share, that which it had or one to begin with. */
export function withUsedUp(now: Asset, by: UsedUp): Asset {
  if (by === usedUp(now)) return now;
  const { wear, ...rest } = now;
  const said = [wear?.yearly, now.owned?.yearly].find((one) => Number(one ?? 0) > 0);
  if (by === 'charge') {
    const yearly = wear?.by === 'cost' ? wear.yearly : '0';
    return { ...rest, ...(now.owned ? { owned: { ...now.owned, yearly } } : {}) };
  }
  if (by === 'life' && !now.owned) return rest;
  const share = said ?? BEGUN_AT;
  return {
    ...rest,
    wear: { by, yearly: by === 'life' ? '0' : share },
    ...(now.owned ? { owned: { ...now.owned, monthly: '0', yearly: '0' } } : {}),
  };
}

/** The asset with its share of cost or book value changed. */
export function withShare(now: Asset, part: Part): Asset {
  return now.wear ? { ...now, wear: changed(now.wear, part) } : now;
}

/** An asset as a register has it, with what no register says: its sale, tax, terms, and what is still to be paid. */
function inPlace(there: Asset, read: Asset, asOf: Day): Asset {
  const coming = there.milestones.filter((step) => step.date > asOf);
  return {
    ...read,
    tax: there.tax,
    termsDays: there.termsDays,
    ...(read.owned ? { milestones: coming, stepwise: there.stepwise } : {}),
    ...(there.disposal ? { disposal: there.disposal } : {}),
  };
}

/** The assets with those of a register: one of the same name takes the place of what stood there. */
export function withRegister(now: readonly Asset[], read: readonly Asset[], asOf: Day): Asset[] {
  const byName = new Map(read.map((one) => [one.name, one]));
  const names = new Set(now.map((one) => one.name));
  const kept = now.map((one) => {
    const other = byName.get(one.name);
    return other ? inPlace(one, other, asOf) : one;
  });
  return [...kept, ...read.filter((one) => !names.has(one.name))];
}
