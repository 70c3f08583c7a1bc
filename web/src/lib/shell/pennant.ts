import type { PlanView } from '../api';

/** The scenarios that can be shown: those that are not put by. */
export function flown(view: PlanView | undefined) {
  return (view?.scenarios ?? []).filter((one) => !one.putBy);
}

/** The scenario after the one that is shown, the base after the last. */
export function nextShown(view: PlanView | undefined): string {
  const all = flown(view);
  return all[all.findIndex((one) => one.id === view?.shown?.id) + 1]?.id ?? '';
}
