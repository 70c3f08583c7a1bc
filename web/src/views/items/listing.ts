import type { ItemView } from './items';

/**
 * The order in which the items of one question stand: as they first came, whatever is typed of them, so that none moves
 * under a hand that types down a column. Another question, or another order, begins anew; what is new comes last.
 */
export class Listing {
  private asked = '';
  private ids: string[] = [];

  steady(items: ItemView[], question: object): ItemView[] {
    const asked = JSON.stringify(question);
    const known = new Map((asked === this.asked ? this.ids : []).map((id, place) => [id, place]));
    const placed = items.toSorted(
      (one, other) => (known.get(one.id) ?? known.size) - (known.get(other.id) ?? known.size),
    );
    this.asked = asked;
    this.ids = placed.map((one) => one.id);
    return placed;
  }
}
