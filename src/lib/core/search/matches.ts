/** The matches of a search, and which of them stand first. */
import type { Lesson } from '../slices/learning/learning';
import type { Candidate } from './candidates';
import type { Catalogue } from './catalogue';
import { BAND, kindOf, NO_MATCH, type Kind, type Match } from './kinds';
import { rankOf } from './ranking';

/** A candidate that letters have found, and why it stands where it does. */
export interface Found {
  readonly candidate: Candidate;
  readonly kind: Kind;
  /** The words that matched: those that were typed, or those that were meant. */
  readonly letters: readonly string[];
  /** What earlier choices had to do with it; null if nothing. */
  readonly lesson: Lesson | null;
}

/** What a search has found so far: the best match of each row. */
export class Matches {
  readonly rows: number[] = [];
  /** The best of all. */
  best: Match = NO_MATCH;
  /** How many rows have a word that starts with the letters. */
  strong = 0;
  readonly #matches: Float64Array;
  readonly #letters = new Map<number, readonly string[]>();

  constructor(private readonly catalogue: Catalogue) {
    this.#matches = new Float64Array(catalogue.rows).fill(NO_MATCH);
  }

  /** Whether a row has a match. */
  has(row: number): boolean {
    return this.#matches[row] !== NO_MATCH;
  }

  /** Takes in a match of a row, unless it has a better one. `letters`: those that were meant, where they are not those that were typed. */
  add(row: number, match: Match, letters?: readonly string[]): void {
    const before = this.#matches[row] as Match;
    if (match >= before) return;
    if (before === NO_MATCH) {
      this.rows.push(row);
      if (match < BAND.initials) this.strong += 1;
    }
    this.#matches[row] = match;
    if (letters) this.#letters.set(row, letters);
    this.best = Math.min(this.best, match);
  }

  /** The `most` that stand first, in order. `typed`: the words that were typed; `lessons`: what was learned, by row. */
  first(most: number, lessons: ReadonlyMap<number, Lesson>, typed: readonly string[]): Found[] {
    const { catalogue } = this;
    const rank = (row: number) =>
      rankOf(
        this.#matches[row] as Match,
        catalogue.entry(row),
        lessons.get(row)?.strength ?? 0,
        catalogue.size,
      );
    const keyOf = (row: number) => catalogue.entry(row).candidate.key;
    return firstBy(this.rows, most, rank, (a, b) => keyOf(a) < keyOf(b)).map((row) => ({
      candidate: catalogue.entry(row).candidate,
      kind: kindOf(this.#matches[row] as Match),
      letters: this.#letters.get(row) ?? typed,
      lesson: lessons.get(row) ?? null,
    }));
  }
}

/** The `most` rows of least rank, in order; of equals, so that the order is always the same, the one that is `earlier`. */
function firstBy(
  rows: readonly number[],
  most: number,
  rankOf: (row: number) => number,
  earlier: (a: number, b: number) => boolean,
): number[] {
  const first: number[] = [];
  const ranks: number[] = [];
  for (const row of rows) {
    const rank = rankOf(row);
    if (first.length === most && rank > (ranks[most - 1] as number)) continue;
    let [from, to] = [0, first.length];
    while (from < to) {
      const middle = (from + to) >> 1;
      const other = ranks[middle] as number;
      if (other < rank || (other === rank && earlier(first[middle] as number, row))) from = middle + 1;
      else to = middle;
    }
    first.splice(from, 0, row);
    ranks.splice(from, 0, rank);
    if (first.length > most) {
      first.pop();
      ranks.pop();
    }
  }
  return first;
}
