/** What is to be known of a program without seeing it. Its view is apart, so that the server imports no screen. */
import type { Program } from '../core/actions/list/programs';

/** A program as the core and the server know it, without its view. */
export interface Manifest extends Program {
  /** What is wrong with a document's text, in words; null if it is one of this kind. */
  readonly problem: (text: string) => string | null;
  readonly actions: readonly ProgramAction[];
  /** Whether one writes in it, so that the keys of text fields work there. */
  readonly writes?: boolean;
  /** Positions that do something in it with Control. */
  readonly keys?: readonly { readonly code: string; readonly what: string }[];
}

/** Something that a program can do with the text of a window, without the person going there. */
export interface ProgramAction {
  readonly id: string;
  readonly title: string;
  readonly synonyms: readonly string[];
  /** Whether it makes a document, for which no window has to be there. */
  readonly makes?: boolean;
  /** Does it to the text of a window; to an empty one where there is none. */
  readonly run: (text: string, now: Date) => ProgramAnswer;
}

/** What an action answers: a sentence, and what the document becomes, or a new one. */
export type ProgramAnswer =
  | string
  | { readonly says: string; readonly text: string }
  | { readonly says: string; readonly makes: { readonly title: string; readonly text: string } };
