import type { Schemas } from '../../lib/api';

/** Where an amount is drawn: from the least to the greatest of what is shown, nil always among it, between two places. */
export function scale(amounts: number[], greatest: number, least: number): (minor: number) => number {
  const low = Math.min(0, ...amounts);
  const high = Math.max(0, ...amounts);
  const span = high - low || 1;
  return (minor) => least + ((minor - low) / span) * (greatest - least);
}

/** A bar of the way from opening to closing cash. */
export interface Bar {
  key: string;
  name: string;
  minor: number;
  from: number;
  to: number;
  total: boolean;
}

/** The bars from opening to closing cash: each step begins where the one before it ends. */
export function bars(bridge: Schemas['BridgeView']): Bar[] {
  const total = (key: string, name: string, minor: number): Bar => ({
    key,
    name,
    minor,
    from: 0,
    to: minor,
    total: true,
  });
  const levels = [bridge.opening, ...bridge.steps.map((step) => step.level)];
  return [
    total('opening', 'Opening cash', bridge.opening),
    ...bridge.steps.map((step, i) => ({
      key: step.id,
      name: step.name,
      minor: step.minor,
      from: levels[i]!,
      to: step.level,
      total: false,
    })),
    total('closing', 'Closing cash', bridge.closing),
  ];
}
