import { whileWanted, type Answer, type Problem } from './api';
import { takenOver } from './taken';

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
      if (asked)
        void whileWanted(stale.signal, asked).then((got) => {
          if (!got) return;
          if (got.ok) this.data = takenOver(this.data, got.data);
          this.problem = got.ok ? undefined : got.problem;
        });
      return () => stale.abort();
    });
  }
}
