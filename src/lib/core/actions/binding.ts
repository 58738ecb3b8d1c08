/** Keys as data. */
import type { Chord, ChordModifier } from '../keys/chord';

/**
 * Where a binding holds. `held`: while the hold key is down. `rows`: while the switcher is open and nothing is typed.
 * `list`: while it is open, typed or not.
 * `at-end`, `at-start`: while something is searched and the caret stands at the end, or the start, of the line. `index`: while
 * the index is walked. `placing`: while a window is placed. `survey`: while the survey is open; `survey-bare`: and
 * nothing is typed; `survey-held`: and the hold key is down. `anywhere`: at any time.
 */
export type Scope =
  | 'held'
  | 'rows'
  | 'list'
  | 'at-end'
  | 'at-start'
  | 'index'
  | 'placing'
  | 'survey'
  | 'survey-bare'
  | 'survey-held'
  | 'anywhere';

/** A key and where it does something. `either`: the same with Shift and without, because Shift means something else. */
export interface Binding {
  readonly scope: Scope;
  /** A position, as in the UI Events `code` values, or a key by its name where that is what is printed on it. */
  readonly at: { readonly code: string } | { readonly key: string };
  readonly shift: boolean | 'either';
  /** What else is down; nothing if it is absent. */
  readonly modifiers?: readonly ChordModifier[];
}

/** A position on the keyboard, with or without Shift. */
export interface Position {
  readonly code: string;
  readonly shift: boolean;
}

/** A position while the hold key is down. */
export const held = (code: string): Binding => ({ scope: 'held', at: { code }, shift: false });
/** The same with Shift. */
export const heldShift = (code: string): Binding => ({ scope: 'held', at: { code }, shift: true });
/** A position that means the same with Shift: that is for the release. */
export const heldEither = (code: string): Binding => ({ scope: 'held', at: { code }, shift: 'either' });
/** A key of the open switcher. */
export const inList = (key: string, shift: Binding['shift'] = 'either'): Binding => ({
  scope: 'list',
  at: { key },
  shift,
});
/** A key of the open switcher that belongs to the caret once something is typed. */
export const inRows = (key: string, shift: Binding['shift'] = 'either'): Binding => ({
  scope: 'rows',
  at: { key },
  shift,
});
/** A key at an end of the search line. */
export const atLineEnd = (scope: 'at-end' | 'at-start', key: string): Binding => ({
  scope,
  at: { key },
  shift: false,
});
/** A key while the index is walked. */
export const inIndex = (at: Binding['at'], shift = false): Binding => ({ scope: 'index', at, shift });
/** A key while a window is placed, with what makes the step finer or sizes. */
export const whilePlacing = (
  at: Binding['at'],
  { shift = false, control = false }: { readonly shift?: boolean; readonly control?: boolean } = {},
): Binding => ({ scope: 'placing', at, shift, ...(control && { modifiers: ['Control'] }) });
/** A key while the survey is open. */
export const inSurvey = (
  key: string,
  shift: Binding['shift'] = false,
  scope: 'survey' | 'survey-bare' = 'survey',
): Binding => ({ scope, at: { key }, shift });
/** A position while the hold key is down in the survey. */
export const heldInSurvey = (code: string): Binding => ({ scope: 'survey-held', at: { code }, shift: false });
/** A combination that someone has chosen. */
export const boundTo = ({ code, shift, hold, modifiers }: Chord): Binding =>
  hold ? { scope: 'held', at: { code }, shift } : { scope: 'anywhere', at: { code }, shift, modifiers };
