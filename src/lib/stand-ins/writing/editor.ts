/** What the window of a plain text needs of what one writes in: the field that is there at once, and the editor that follows. */
import { LONGEST_TEXT } from '../../core/model/limits';

/** What an editor is given. */
export interface Writing {
  readonly text: string;
  /** What screen readers call it. */
  readonly label: string;
  readonly writable: () => boolean;
  /** Somebody wrote something. */
  readonly written: (text: string) => void;
  /** What they wrote would have been too long. */
  readonly refused: () => void;
}

/** The letters between which the selection is, counted from 0; its end, where the caret is, may be before its start. */
export interface Selected {
  readonly start: number;
  readonly end: number;
}

/** Something to write plain text in. */
export interface Editor {
  /** What is written, its lines ended by `\n`. */
  readonly text: string;
  selection: Selected;
  /** Takes in what was written elsewhere; the caret stays with the letters around it, and undo does not reach it. */
  take(text: string): void;
  /** Looks again whether one may write. */
  refresh(): void;
  /** Gives it the keys. */
  focus(): void;
  /** Takes it down. */
  destroy(): void;
}

/** Whether a text may become one of `now` letters: what is too long is not taken in, what is shorter than before always is. */
export const fits = (now: number, before: number): boolean => now <= Math.max(LONGEST_TEXT, before);
