import type { Component } from 'svelte';
import type { LineView, Schemas } from '../../../lib/api';
import type { Day } from '../../../lib/dates';
import type { Assumption, Netting, Of, Save } from '../save';

export type Kind = Assumption['kind'];

/** What an editor of a kind of line is given: what the line assumes, what follows from it, and how a change is saved. */
export interface EditorProps<K extends Kind> {
  id: string;
  assumption: Of<K>;
  save: Save<Of<K>>;
  view: LineView;
  /** How facts take the place of what the line planned: a part of the line, beside what it assumes. */
  netting: Netting;
  saveNetting: Save<Netting>;
  /** How many months the strip is moved from where the forecast begins. */
  offset: number;
  onshift: (months: number) => void;
}

/** What the screen knows of a kind of line. */
export interface KindOfLine<K extends Kind> {
  Editor: Component<EditorProps<K>>;
  /** Whether it may stand anywhere in the income statement; the others know their place. */
  natured?: boolean;
  /** Whether its coming dates are listed; of those that have few, where there are any. */
  coming?: 'always' | 'if any';
  /** How it is added as a line of its own, in words a person would use; left out where it is added under Funding. */
  added?: {
    name: string;
    sub: string;
    /** Where alone it stands. */
    only?: 'receipt' | 'payment';
    /** What a new one begins with. */
    fresh: (asOf: Day) => Extract<Schemas['sent.assumption'], { kind: K }>;
  };
}
