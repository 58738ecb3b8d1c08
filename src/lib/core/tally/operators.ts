/**
 * The operators of the keystroke-level model (S. K. Card, T. P. Moran, A. Newell: The Keystroke-Level Model for User
 * Performance Time with Interactive Systems, CACM 23(7), 1980; values from memory), in seconds. Everybody can change them.
 */
export interface Operators {
  /** K: one key or button; 0.20 for an average skilled typist. */
  readonly key: number;
  /** P: pointing at something with the pointer. */
  readonly pointing: number;
  /** H: a hand goes from the keyboard to the pointer, or back. */
  readonly homing: number;
  /** M: making up one's mind, here: looking at what has come before going on. */
  readonly mental: number;
}

/** The values as they were published. */
export const PUBLISHED: Operators = { key: 0.2, pointing: 1.1, homing: 0.4, mental: 1.35 };

/** K by typist, as published there. */
export const KEY_BY_TYPIST = {
  best: 0.08,
  good: 0.12,
  averageSkilled: 0.2,
  average: 0.28,
  randomLetters: 0.5,
  complexCodes: 0.75,
  unfamiliar: 1.2,
} as const;

/** No operator is shorter or longer than this, in s. */
export const OPERATOR_RANGE = { least: 0.01, most: 10 } as const;

/** How far the model's times lie from measured ones, as a share (root mean square over single tasks; same paper, from memory). */
export const MODEL_ERROR = 0.21;

/**
 * Going to a window by the pointer: the hand to it, one pointing, one button, the hand back. Making up one's mind where to
 * go comes before either way and is counted for neither.
 * @example pointerSeconds(PUBLISHED).toFixed(2) // '2.10'
 */
export const pointerSeconds = ({ homing, pointing, key }: Operators): number =>
  homing + pointing + key + homing;

/** Some keys, of which some can only be chosen after looking; the hold key counts as a key. */
export const keysSeconds = ({ key, mental }: Operators, keys: number, looks: number): number =>
  key * keys + mental * looks;

/**
 * Pointing at a thing of a width at a distance, in s (P. Fitts 1954; in the form and with the values for the mouse of S. K.
 * Card, W. English, B. Burr 1978, from memory).
 * @example fittsSeconds(100, 100).toFixed(3) // '1.086'
 */
export const fittsSeconds = (distance: number, width: number): number =>
  1.03 + 0.096 * Math.log2(distance / width + 0.5);
