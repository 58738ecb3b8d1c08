/**
 * Which of several matches stands before which. The kind of match comes first: a better one always stands before a worse.
 * Within a kind it is how likely a match is what was meant, by how close it is and by how recently it was used. What was
 * chosen for these letters before is lifted, across kinds too: what someone has taught counts more than what can be
 * guessed.
 */
import type { Entry } from './catalogue';
import { bandOf, closenessOf, type Match } from './kinds';

/**
 * How likely an application that runs is meant beside its windows, of which the one that is meant is found too. Like all weights
 * of search, chosen by `bench/search-quality`.
 */
const APPLICATION = 0.3;

/**
 * How likely an entry is meant before letters are looked at, in (0, 1]: the one used last 1, the n-th 1/n (Zipf's law, by
 * which people come back to things; common practice), and what was never used as if it came after all `among` entries.
 * So recency weighs the more, the more there is to choose from.
 */
const likelihoodOf = ({ isApplication, position }: Entry, among: number): number =>
  (isApplication && position !== Infinity ? APPLICATION : 1) / (1 + Math.min(position, among));

/** The most that lessons can lift a match, in kinds, and the strength that lifts it half as far: one fresh choice. */
const MOST_LIFTED = 16;
const HALF_LIFTED = 1;

/**
 * How many kinds a strength of lessons lifts a match: ever less for every further choice.
 * @example liftOf(1) // 8
 */
export const liftOf = (strength: number): number => (MOST_LIFTED * strength) / (strength + HALF_LIFTED);

/** So little that it tells apart only what is equal otherwise: shorter titles stand first. */
const A_LETTER = 1e-12;

/** The rank of a match, the least the first. `among`: how many entries there are. */
export const rankOf = (match: Match, entry: Entry, strength: number, among: number): number =>
  bandOf(match) +
  1 -
  closenessOf(match) * likelihoodOf(entry, among) -
  liftOf(strength) +
  A_LETTER * entry.titleLength;
