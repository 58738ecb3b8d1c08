/** Ways in which someone goes where they want to be. The order is that of the export and of every table. */
export const SWITCHING = [
  /** By applications, in the switcher. */
  'step',
  /** To a window that was chosen by hand in its application's row. */
  'window-step',
  'place',
  'shortcut',
  'search',
  'survey',
  'pointer',
  /** Any other key that goes to a window. */
  'key',
] as const;

/** All ways in which another window comes to the front. What comes of something else is no switch of anybody's. */
export const WAYS = [
  ...SWITCHING,
  /** Something else was done, and another window was next: what was in front went away, or something opened. */
  'other',
  /** The page by itself, or a program through the API. */
  'page',
  /** On a display: outside of Key Fold. */
  'host',
] as const;
/** One of the ways. */
export type Way = (typeof WAYS)[number];

/** Those of somebody who uses keys alone. */
export const BY_KEYS = SWITCHING.filter((way) => way !== 'pointer');

/** What a page adds to what it wishes: how it came about. */
export interface SwitchFacts {
  readonly way: Way;
  /** From the first key that went down to the moment of the wish, in ms; absent where there was none. */
  readonly took?: number;
  /** Keys that went down meanwhile, the hold key and other modifiers not counted. */
  readonly presses?: number;
}

/** The longest time and the most keys that a page may tell, in ms and presses: more is no switch any more. */
export const LONGEST_SWITCH_MS = 3_600_000;
/** The same for keys. */
export const MOST_PRESSES = 10_000;
