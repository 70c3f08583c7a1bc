import type { KindOfLine } from '../kind';
import CapitalEditor from './CapitalEditor.svelte';

export const CAPITAL: KindOfLine<'capital'> = {
  Editor: CapitalEditor,
  coming: 'always',
  added: {
    name: 'Capital spending',
    sub: 'assets bought, used up and sold',
    only: 'payment',
    fresh: () => ({ kind: 'capital', assets: [] }),
  },
};
