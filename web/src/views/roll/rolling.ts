import { answer, api, type Answer, type EditOutcome } from '../../lib/api';
import type { PlanState } from '../../lib/plan.svelte';

/** Begins, moves on, finishes or undoes a roll forward; each act is an edit of the plan. */
export class Rolling {
  constructor(private readonly plan: PlanState) {}

  private get path() {
    return { plan: this.plan.id };
  }

  begin() {
    return this.edit((version) =>
      api.POST('/api/plans/{plan}/roll/begin', { params: { path: this.path, query: { version } } }),
    );
  }

  to(day: string) {
    return this.edit((version) =>
      api.POST('/api/plans/{plan}/roll/to', { params: { path: this.path, query: { version, day } } }),
    );
  }

  drop(key: string) {
    return this.decide({ key, carry: false, amount: null, day: null });
  }

  carry(key: string, amount: string, day: string) {
    return this.decide({ key, carry: true, amount, day });
  }

  private decide(body: { key: string; carry: boolean; amount: string | null; day: string | null }) {
    return this.edit((version) =>
      api.POST('/api/plans/{plan}/roll/decide', { params: { path: this.path, query: { version } }, body }),
    );
  }

  dropRest() {
    return this.edit((version) =>
      api.POST('/api/plans/{plan}/roll/drop-rest', { params: { path: this.path, query: { version } } }),
    );
  }

  finish() {
    return this.edit((version) =>
      api.POST('/api/plans/{plan}/roll/done', { params: { path: this.path, query: { version } } }),
    );
  }

  undo() {
    return this.edit(() => api.POST('/api/plans/{plan}/roll/undo', { params: { path: this.path } }));
  }

  private edit(call: (version: number) => Parameters<typeof answer<EditOutcome>>[0]) {
    return this.plan.edit((version): Promise<Answer<EditOutcome>> => answer(call(version)));
  }
}
