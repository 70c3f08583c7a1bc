import type { KindOfLine } from '../kind';
import DepositEditor from './DepositEditor.svelte';

export const DEPOSIT: KindOfLine<'deposit'> = { Editor: DepositEditor, coming: 'always' };
