import { answer, api, type MovementView, type Schemas } from '../../lib/api';
import type { PlanState } from '../../lib/plan.svelte';

/** Assigns what is left of movements to a line; without one they are transfers between own accounts. */
export function assign(plan: PlanState, movements: MovementView[], line: string | null) {
  const ids = movements.map((movement) => movement.id);
  return plan.edit((version) =>
    answer(
      api.POST('/api/plans/{plan}/assign', {
        params: { path: { plan: plan.id }, query: { version } },
        body: { movements: ids, line },
      }),
    ),
  );
}

/** Divides a movement over lines; no parts make it unassigned. */
export function divide(plan: PlanState, id: number, parts: { line: string | null; minor: number }[]) {
  return plan.edit((version) =>
    answer(
      api.PUT('/api/plans/{plan}/movements/{id}/parts', {
        params: { path: { plan: plan.id, id }, query: { version } },
        body: { parts },
      }),
    ),
  );
}

/** Settles open items by a movement, as proposed. */
export function settle(plan: PlanState, id: number, proposal: Schemas['ProposalView']) {
  const parts = proposal.parts.map(({ item, minor, less }) => ({ item, minor, less }));
  return plan.edit((version) =>
    answer(
      api.POST('/api/plans/{plan}/movements/{id}/settle', {
        params: { path: { plan: plan.id, id }, query: { version } },
        body: { parts },
      }),
    ),
  );
}

/** Settles, as one edit, what movements name by number and come to. */
export function settleNamed(plan: PlanState, movements: MovementView[]) {
  return plan.edit((version) =>
    answer(
      api.POST('/api/plans/{plan}/movements/settle-named', {
        params: { path: { plan: plan.id }, query: { version } },
        body: { movements: movements.map((movement) => movement.id) },
      }),
    ),
  );
}

/** Makes a line of a movement, with an empty forecast, and assigns the movement to it. */
export async function makeLine(plan: PlanState, movements: MovementView[], name: string): Promise<string> {
  const direction = movements[0]!.minor > 0 ? 'receipt' : 'payment';
  const line: Schemas['sent.line'] = {
    id: crypto.randomUUID(),
    name,
    direction,
    assumption: { kind: 'items', items: [] },
  };
  const refused = await plan.putLine(line, `'${name}' added from a bank movement`);
  return (refused ?? (await assign(plan, movements, line.id)))?.detail ?? '';
}

export type RuleJson = Schemas['rule'];

/** Remembers a rule, and lets it assign what it fits. */
export function putRule(plan: PlanState, rule: RuleJson) {
  return plan.edit((version) =>
    answer(
      api.PUT('/api/plans/{plan}/rules/{id}', {
        params: { path: { plan: plan.id, id: rule.id }, query: { version, apply: true } },
        body: rule,
      }),
    ),
  );
}

/** The words of a text that stay from one movement to the next: without numbers and dates. */
export function lastingWords(text: string): string {
  return text
    .split(/\s+/)
    .filter((word) => !/\d/.test(word))
    .join(' ');
}
