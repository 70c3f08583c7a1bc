import type { Method, Stream } from '../views/lines/save';

/** A stream that says nothing yet, with a method. */
export function streamOf(method: Method): Stream {
  return {
    kind: 'stream',
    method,
    aside: [],
    history: {},
    overrides: {},
    tax: { rate: '0', gross: false, recoverable: '100' },
    pattern: { steps: [{ share: '100', lag: 0, discount: '0' }], never: '0' },
    termsBy: 'months',
    spread: { kind: 'even' },
  };
}
