import { answer, api, type Problem, type Schemas, whileWanted } from '../../../lib/api';
import type { PlanState } from '../../../lib/plan.svelte';
import type { Measure } from '../whatif';

export type Ranked = Schemas['SensitivityView'];

/** How far each kind of figure is moved. */
export interface Steps {
  share: string;
  points: string;
  days: string;
  months: string;
}

export const USUAL: Steps = { share: '10', points: '1', days: '5', months: '1' };

/** So many assumptions are asked for at once: results appear as they come. */
const AT_ONCE = 24;

/** How much an assumption does, whichever way. */
function size(one: Ranked): number {
  return Math.max(Math.abs(one.down ?? 0), Math.abs(one.up ?? 0));
}

/** The assumptions as they are ranked, part by part, until all are or it is stopped. */
export class Ranking {
  found = $state.raw<Ranked[]>([]);
  now = $state.raw<{ minor: number; day: string }>();
  done = $state(0);
  all = $state(0);
  running = $state(false);
  problem = $state.raw<Problem>();
  private under: AbortController | undefined;

  stop() {
    this.under?.abort();
    this.running = false;
  }

  async start(plan: PlanState, measure: Measure, day: string, steps: Steps) {
    this.stop();
    const mine = new AbortController();
    this.under = mine;
    [this.found, this.done, this.all, this.running, this.problem] = [[], 0, 0, true, undefined];
    // In the order of the list, whichever comes first: those with the same effect stay in it.
    const parts: Ranked[][] = [];
    let next = 0;
    const askOn = async () => {
      do {
        const from = next;
        next += AT_ONCE;
        const asked = answer(
          api.GET('/api/plans/{plan}/sensitivity', {
            params: {
              path: { plan: plan.id },
              query: {
                measure,
                ...(day ? { day } : {}),
                share: steps.share,
                points: steps.points,
                days: Number(steps.days),
                months: Number(steps.months),
                from,
                count: AT_ONCE,
              },
            },
            signal: mine.signal,
          }),
        );
        const got = await whileWanted(mine.signal, asked);
        if (!got || this.problem) return;
        if (!got.ok) {
          this.problem = got.problem;
          return;
        }
        this.now = { minor: got.data.now, day: got.data.day };
        this.all = got.data.all;
        this.done = Math.min(this.all, this.done + AT_ONCE);
        parts[from / AT_ONCE] = got.data.assumptions;
        this.found = parts.flat().sort((one, other) => size(other) - size(one));
      } while (next < this.all);
    };
    // Two at a time: what one leaves of the processor while it ends is the other's.
    await Promise.all([askOn(), askOn()]);
    if (!mine.signal.aborted) this.running = false;
  }
}
