import { whileWanted, type Answer, type Problem } from './api';
import { takenOver } from './taken';

let underWay = 0;
let waiting: (() => void)[] = [];

function ended() {
  underWay--;
  if (underWay > 0) return;
  const all = waiting;
  waiting = [];
  all.forEach((one) => one());
}

/** Is kept once nothing is being loaded any more. */
export function allLoaded(): Promise<void> {
  return underWay === 0 ? Promise.resolve() : new Promise((resolve) => waiting.push(resolve));
}

/**
 * Something the server is asked for again whenever what the question reads has changed. The last answer stays until the
 * next is there; an answer that came too late is dropped. Made while a component is set up.
 */
export class Loaded<T> {
  data = $state.raw<T>();
  problem = $state.raw<Problem>();

  constructor(ask: (signal: AbortSignal) => Promise<Answer<T>> | null) {
    $effect(() => {
      const stale = new AbortController();
      const asked = ask(stale.signal);
      if (asked) {
        underWay++;
        void whileWanted(stale.signal, asked)
          .then((got) => {
            if (!got) return;
            if (got.ok) this.data = takenOver(this.data, got.data);
            this.problem = got.ok ? undefined : got.problem;
          })
          .finally(ended);
      }
      return () => stale.abort();
    });
  }
}
