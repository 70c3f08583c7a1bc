import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { InAddress } from './address.svelte';

/** An address that is changed at once, and of which nobody has been told yet. */
let hash = '';

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('Event', class {});
  vi.stubGlobal('window', {
    location: {
      get hash() {
        return hash;
      },
    },
    history: { replaceState: (_state: unknown, _title: string, to: string) => (hash = to) },
    dispatchEvent: () => true,
  });
});

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

test('what is chosen in a moment when the address has just changed takes nothing of it back', () => {
  hash = '#/plan/a/forecast?scenario=five&unit=thousand';
  new InAddress('unit', 'thousand', ['thousand', 'full'], true).value = 'full';
  hash = '#/plan/a/forecast?scenario=seven&unit=thousand';
  vi.runAllTimers();
  expect(hash).toBe('#/plan/a/forecast?scenario=seven&unit=full');
});

test('what is chosen in a view alone goes with it', () => {
  hash = '#/plan/a/receipts?by=WEEK';
  new InAddress('order', 'EXPECTED').value = 'DUE';
  vi.runAllTimers();
  expect(hash).toBe('#/plan/a/receipts?by=WEEK');
});
