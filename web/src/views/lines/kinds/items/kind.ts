import type { KindOfLine } from '../kind';
import ItemsEditor from './ItemsEditor.svelte';

export const ITEMS: KindOfLine<'items'> = {
  Editor: ItemsEditor,
  natured: true,
  coming: 'always',
  added: {
    name: 'Single dates',
    sub: 'one-off sums, each on its day',
    fresh: () => ({ kind: 'items', items: [] }),
  },
};
