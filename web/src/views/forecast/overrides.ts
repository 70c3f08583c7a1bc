import { answer, api } from '../../lib/api';
import type { Line, PlanState } from '../../lib/plan.svelte';
import { periodWords, type Spot } from './rows';

async function lineOf(plan: PlanState, id: string): Promise<Line | null> {
  const got = await answer(
    api.GET('/api/plans/{plan}/lines/{id}', {
      params: { path: { plan: plan.id, id }, query: { history: 0, months: 1 } },
    }),
  );
  if (!got.ok) plan.problem = got.problem;
  return got.ok ? got.data.line : null;
}

/** The line of a figure, asked for while the override is typed, so that saving need not wait for it. */
export class LineAhead {
  private readonly version: number;
  private readonly asked: Promise<Line | null>;

  constructor(
    private readonly plan: PlanState,
    private readonly id: string,
  ) {
    this.version = plan.version;
    this.asked = lineOf(plan, id);
  }

  /** The line as it stands now: asked for again if the plan has changed since. */
  now(): Promise<Line | null> {
    return this.plan.version === this.version ? this.asked : lineOf(this.plan, this.id);
  }
}

/** Overrides the figure; a refusal in words, or nothing when it was done. */
export async function putOverride(
  plan: PlanState,
  spot: Spot,
  ahead: LineAhead,
  amount: string,
  reason: string,
): Promise<string> {
  const line = await ahead.now();
  if (!line) return 'The line could not be read: try it again.';
  const others = line.overrides.filter((o) => o.from !== spot.from || o.to !== spot.to);
  const overrides = [...others, { from: spot.from, to: spot.to, amount, reason }];
  const words = `${spot.name} overridden for ${periodWords(spot.from, spot.to)}`;
  return (await plan.putLine({ ...line, overrides }, words))?.detail ?? '';
}

/** Lifts every override that touches the period; what was done in words. */
export async function liftOverrides(plan: PlanState, spot: Spot): Promise<string> {
  const line = spot.kind === 'line' ? await lineOf(plan, spot.row) : null;
  const all = line?.overrides ?? [];
  const left = all.filter((o) => o.to < spot.from || o.from > spot.to);
  if (!line || left.length === all.length) return 'There is no override here to lift.';
  const words = `Override of ${spot.name} lifted`;
  return (await plan.putLine({ ...line, overrides: left }, words))?.detail ?? '';
}
