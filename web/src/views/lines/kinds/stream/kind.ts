import type { KindOfLine } from '../kind';
import StreamEditor from './StreamEditor.svelte';

export const STREAM: KindOfLine<'stream'> = {
  Editor: StreamEditor,
  natured: true,
  added: {
    name: 'By month',
    sub: 'an amount each month, paid by a pattern',
    fresh: () => ({
      kind: 'stream',
      method: { kind: 'fixed', amount: [] },
      history: {},
      pattern: { steps: [{ share: '100', lag: 0, discount: '0' }], never: '0' },
    }),
  },
};
