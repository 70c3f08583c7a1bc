import type { KindOfLine } from '../kind';
import GroupEditor from './GroupEditor.svelte';

export const GROUP: KindOfLine<'group'> = {
  Editor: GroupEditor,
  added: { name: 'Group', sub: 'a heading that gathers other lines', fresh: () => ({ kind: 'group' }) },
};
