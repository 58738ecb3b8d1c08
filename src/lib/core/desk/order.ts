/** What actions may ask of the desk itself. */
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
  /** Forgets what search has learned about the highlighted result. */
  | { readonly type: 'forget' }
  /** Closes the switcher without a word, because what else is done speaks for itself. */
  | { readonly type: 'step-aside' };
