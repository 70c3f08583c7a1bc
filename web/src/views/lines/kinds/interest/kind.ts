import type { KindOfLine } from '../kind';
import InterestEditor from './InterestEditor.svelte';

export const INTEREST: KindOfLine<'interest'> = { Editor: InterestEditor, coming: 'if any' };
