import type { KindOfLine } from '../kind';
import RevolvingEditor from './RevolvingEditor.svelte';

export const REVOLVING: KindOfLine<'revolving'> = { Editor: RevolvingEditor };
