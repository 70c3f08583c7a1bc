import { answer, api, type Problem } from '../../lib/api';
import type { PlanState } from '../../lib/plan.svelte';
import type { Scenario } from './whatif';

/** Puts a scenario whole; gives the refusal, or nothing. */
export function putScenario(plan: PlanState, scenario: Scenario): Promise<Problem | null> {
  return plan.edit((version) =>
    answer(
      api.PUT('/api/plans/{plan}/scenarios/{id}', {
        params: { path: { plan: plan.id, id: scenario.id }, query: { version } },
        body: scenario,
      }),
    ),
  );
}

export function removeScenario(plan: PlanState, id: string): Promise<Problem | null> {
  return plan.edit((version) =>
    answer(
      api.DELETE('/api/plans/{plan}/scenarios/{id}', { params: { path: { plan: plan.id, id }, query: { version } } }),
    ),
  );
}

/** Makes changes of a scenario the base, in one edit. */
export function makeBase(plan: PlanState, id: string, changes: string[]): Promise<Problem | null> {
  return plan.edit((version) =>
    answer(
      api.POST('/api/plans/{plan}/scenarios/{id}/base', {
        params: { path: { plan: plan.id, id }, query: { version, changes } },
      }),
    ),
  );
}

/** Keeps what a scenario comes to, and the base beside it, to be held against what happens. */
export function approve(plan: PlanState, scenario: string): Promise<Problem | null> {
  return plan.edit((version) =>
    answer(
      api.POST('/api/plans/{plan}/snapshots/approved', {
        params: { path: { plan: plan.id }, query: { version, of: scenario } },
      }),
    ),
  );
}
