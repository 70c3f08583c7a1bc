import { answer, api } from './api';
import type { PlanState } from './plan.svelte';

/** Another version of the plan: whose edit, empty where it is not known, and in which words. */
export type Edited = { version: number; author: string; words: string };

/** Where somebody looks: a view with a line or part of it, or a figure of the forecast by its row and days. */
export type Place = { view: string; part?: string; row?: string; from?: string; to?: string };

export function written(place: Place): string {
  return [place.view, place.part ?? '', place.row ?? '', place.from ?? '', place.to ?? ''].join('|');
}

export function placeOf(text: string): Place {
  const [view = '', part, row, from, to] = text.split('|').map((one) => one || undefined);
  return { view, part, row, from, to };
}

/** Somebody else who has the plan open. */
export type Other = { name: string; place: Place };

/** A moment between two looks: an arrow that is held down is no news to anybody. */
const SETTLED = 250;
/** A browser does not ask again by itself after a refusal, as when a sign-in has ended: we do, as it may be there again. */
const AGAIN = 5_000;

/** Who else has the plan open, heard from the program as long as the page is in sight; and where we are, told to it. */
export class Live {
  others = $state.raw<Other[]>([]);
  private readonly tab = crypto.randomUUID();
  private source: EventSource | undefined;
  private place: Place = { view: '' };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly plan: PlanState) {}

  /** Listens while the page is in sight: a browser has few connections, and windows behind others need none. */
  start(): () => void {
    const turn = () => (document.visibilityState === 'visible' ? this.open() : this.close());
    const leave = () => this.close();
    turn();
    document.addEventListener('visibilitychange', turn);
    window.addEventListener('pagehide', leave);
    return () => {
      document.removeEventListener('visibilitychange', turn);
      window.removeEventListener('pagehide', leave);
      this.close();
    };
  }

  private open() {
    clearTimeout(this.again);
    if (this.source) return;
    const query = new URLSearchParams({ tab: this.tab, version: String(this.plan.version) });
    this.source = new EventSource(`/api/plans/${this.plan.id}/live?${query.toString()}`);
    const source = this.source;
    source.addEventListener('open', () => this.tell());
    source.addEventListener('error', () => {
      if (source.readyState !== EventSource.CLOSED || source !== this.source) return;
      this.source = undefined;
      this.others = [];
      this.again = setTimeout(() => this.open(), AGAIN);
    });
    this.source.addEventListener('edited', (e: MessageEvent<string>) => {
      void this.plan.hear(JSON.parse(e.data) as Edited);
    });
    this.source.addEventListener('here', (e: MessageEvent<string>) => {
      const here = JSON.parse(e.data) as { name: string; place: string }[];
      this.others = here.map((one) => ({ name: one.name, place: placeOf(one.place) }));
    });
  }

  private close() {
    clearTimeout(this.again);
    if (!this.source) return;
    this.source.close();
    this.source = undefined;
    this.others = [];
    clearTimeout(this.timer);
    void answer(
      api.DELETE('/api/plans/{plan}/here', {
        params: { path: { plan: this.plan.id }, query: { tab: this.tab } },
        keepalive: true,
      }),
    );
  }

  /** Tells others where we look. */
  look(place: Place) {
    if (written(place) === written(this.place)) return;
    this.place = place;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.tell(), SETTLED);
  }

  private tell() {
    if (!this.source) return;
    void answer(
      api.PUT('/api/plans/{plan}/here', {
        params: { path: { plan: this.plan.id } },
        body: { tab: this.tab, place: written(this.place) },
      }),
    );
  }

  /** Those who look at a figure of the forecast that has any of some days. */
  at(row: string, from: string, to: string): string[] {
    return this.others
      .filter((one) => one.place.row === row && one.place.from! <= to && one.place.to! >= from)
      .map((one) => one.name);
  }
}
