import type { KindOfLine } from '../kind';
import LeaseEditor from './LeaseEditor.svelte';

export const LEASE: KindOfLine<'lease'> = { Editor: LeaseEditor, coming: 'always' };
