import type { KindOfLine } from '../kind';
import LoanEditor from './LoanEditor.svelte';

export const LOAN: KindOfLine<'loan'> = { Editor: LoanEditor, coming: 'always' };
