import type { ItemView } from './items';

/**
 * The order in which the items of one question stand: as they first came, whatever is typed of them, so that none moves
 * under a hand that types down a column. Another question, or another order, begins anew; what is new comes after the
 * item that it follows in the order asked for.
 */
export class Listing {
  private asked = '';
  private ids: string[] = [];

  steady(items: ItemView[], question: object): ItemView[] {
    const asked = JSON.stringify(question);
    const byId = new Map(items.map((one) => [one.id, one]));
    const known = asked === this.asked ? this.ids.filter((id) => byId.has(id)) : [];
    const stood = new Set(known);
    items.forEach((one, at) => {
      if (!stood.has(one.id)) known.splice(at === 0 ? 0 : known.indexOf(items[at - 1]!.id) + 1, 0, one.id);
    });
    this.asked = asked;
    this.ids = known;
    return known.map((id) => byId.get(id)!);
  }
}
