/** The kinds of match, and a match as one number. */

/** The kinds of match, best first. A better kind always stands before a worse. */
export const KINDS = [
  /** A whole word of the title, of three letters and more, or a number. */
  'word',
  'word-start',
  'word-beside',
  'word-start-beside',
  /** The first letters of neighbouring words. */
  'initials',
  /** Starts of neighbouring words without the blanks between them, or one word with blanks in it. */
  'run-together',
  /** A word, or neighbouring words, with vowels left out. */
  'consonants',
  /** Letters together within a word. */
  'fragment',
  'slip',
  'two-slips',
  /** Letters in their order, from the start of a word on. */
  'scattered',
] as const;
/** One of the kinds. */
export type Kind = (typeof KINDS)[number];

/** The place of each kind in their order, 0 for the best. */
export const BAND = Object.fromEntries(KINDS.map((kind, band) => [kind, band])) as Readonly<
  Record<Kind, number>
>;

/**
 * A match as one number, so that many can be compared fast; the least is the best. The whole part is the band of its
 * kind, and what is missing to the next whole number is how close it is within the band, in (0, 1].
 */
export type Match = number;

/** No match at all. */
export const NO_MATCH: Match = Infinity;

/** A match of a band. `closeness`: in (0, 1]. */
export const matchOf = (band: number, closeness: number): Match => band + 1 - closeness;
/** The band of a match; Infinity for none. */
export const bandOf = (match: Match): number => Math.floor(match);
/** How close a match is within its band. */
export const closenessOf = (match: Match): number => bandOf(match) + 1 - match;
/** The kind of a match that there is. */
export const kindOf = (match: Match): Kind => KINDS[bandOf(match)] as Kind;
