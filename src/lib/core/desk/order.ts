import type { WindowId } from '../model/ids';
import type { PlacingOrder } from '../placing/placing';
import type { SurveyOrderOf } from '../survey/survey';
import type { Digit } from '../slices/places/state';

/** The steps of the highlight. */
export const STEPS = ['older-application', 'newer-application', 'next-window', 'previous-window'] as const;
/** A step of the highlight. */
export type Step = (typeof STEPS)[number];

/** What an action asks of the desk itself. */
export type DeskOrder =
  /** Moves the highlight, opening the switcher if it is closed. */
  | { readonly type: 'step'; readonly step: Step; readonly repeat: boolean }
  /** To the first or last row, or several rows on, stopping at the ends. */
  | { readonly type: 'jump'; readonly rows: number }
  /** To the first or last leaf of the unfolded row. */
  | { readonly type: 'jump-leaf'; readonly to: 'first' | 'last' }
  /** Lets the switcher stay open, opening it if it is closed. */
  | { readonly type: 'search' }
  | { readonly type: 'glance'; readonly on: boolean }
  | { readonly type: 'commit'; readonly raiseAll: boolean }
  | { readonly type: 'cancel' }
  /** Into the highlighted result of search, to search in there, or out of it again. */
  | { readonly type: 'into' }
  | { readonly type: 'out' }
  /** Forgets what search has learned about the highlighted result. */
  | { readonly type: 'forget' }
  /**
   * Brings forward what stands at a digit, or goes on to its next window (rule 14); while the switcher is open, goes to its
   * row, or on to the next leaf.
   */
  | { readonly type: 'press-place'; readonly digit: Digit }
  /** Brings forward what a shortcut goes to, or does what further presses of it do. */
  | { readonly type: 'press-shortcut'; readonly id: string }
  /** Goes to the index, or back to the front window. */
  | { readonly type: 'walk-index' }
  | { readonly type: 'at-index'; readonly order: IndexOrder }
  /** Puts what the keys act on at the first empty place of the index. */
  | { readonly type: 'add-to-index' }
  /** A window is moved and sized by keys from here on. */
  | { readonly type: 'begin-placing'; readonly window: WindowId }
  | { readonly type: 'placing'; readonly order: PlacingOrder }
  /** All windows at once, or those of the front application; the same again leaves. */
  | { readonly type: 'survey'; readonly only: boolean }
  | { readonly type: 'in-survey'; readonly order: SurveyOrderOf }
  /** Brings the highlighted window of the survey forward, or leaves it as everything was. */
  | { readonly type: 'end-survey'; readonly choose: boolean }
  /** The switcher shows everything, or only what is on this workspace. */
  | { readonly type: 'everything-or-here' }
  /** Takes up the document that is highlighted or in front, to carry it to a program. */
  | { readonly type: 'carry'; readonly window: WindowId | null }
  /** The keys go to the next section of the page, or the one before: front window, index, foot line. */
  | { readonly type: 'to-section'; readonly by: 1 | -1 }
  /** Closes the switcher without a word, because what else is done speaks for itself. */
  | { readonly type: 'step-aside' };

/** What someone asks for who walks the index. */
export type IndexOrder =
  | { readonly do: 'step'; readonly by: 1 | -1; readonly repeat: boolean }
  | { readonly do: 'go-to-end'; readonly end: 'first' | 'last' }
  | { readonly do: 'go-to'; readonly digit: Digit }
  | { readonly do: 'leave' }
  /** `alone`: everything else is hidden. */
  | { readonly do: 'open'; readonly alone: boolean }
  | { readonly do: 'take-out' }
  /** It changes places with its neighbour, or with what stands at a digit. */
  | { readonly do: 'carry'; readonly by: 1 | -1 }
  | { readonly do: 'carry-to'; readonly digit: Digit };
