/**
 * Words that are meant in spite of a slip of the fingers: a letter left out, too many, another one, or two swapped. Nearly
 * all slips are one of these (Damerau, "A technique for computer detection and correction of spelling errors", 1964).
 */
import type { Neighbours } from './keyboard';
import { firstWith, narrowed, type Known, type Range, type Vocabulary } from './vocabulary';

/**
 * How likely each slip is beside the others. Pollock and Zamora (1984) found 34 % omissions, 27 % insertions, 19 %
 * substitutions and 12.5 % transpositions, of which under 8 % in the first letter; Grudin (1983) found that most
 * substitutions hit a neighbouring key (figures from memory). These weigh one word against another, after tuning by
 * `bench/search-quality`.
 */
const LIKELIHOOD = {
  omitted: 1,
  doubled: 1,
  swapped: 0.8,
  neighbour: 0.4,
  struckToo: 0.2,
  otherLetter: 0.05,
  otherExtra: 0.03,
  inFirstLetter: 0.1,
};

/** So long a word must be for one slip in it, and for two; in three letters two may be swapped. */
const LEAST_WORD = { 1: 4, 2: 8 } as const;
const LEAST_SWAPPED = 3;
/** So many letters of it must have been typed. */
const LEAST_TYPED = { 1: LEAST_SWAPPED, 2: 6 } as const;
/** Below these, only what leaves all typed letters is looked for. */
const LEAST_FOR_ANY_SLIP = 4;

/** A word that may be meant. */
export interface Meant {
  readonly known: Known;
  /** How many of its letters stand for those that were typed. */
  readonly length: number;
  /** In (0, 1): how likely the slips are. */
  readonly likelihood: number;
}

/** The words that letters may be meant to start, with exactly so many slips: one or two. */
export function meantWith(
  slips: 1 | 2,
  vocabulary: Vocabulary,
  letters: string,
  neighbours: Neighbours,
): Iterable<Meant> {
  if (letters.length < LEAST_TYPED[slips]) return [];
  const search = new SlipSearch(
    vocabulary,
    letters,
    neighbours,
    letters.length === LEAST_SWAPPED ? LEAST_SWAPPED : LEAST_WORD[slips],
  );
  search.inLaterLetters(slips);
  if (slips === 1) search.inFirstLetter();
  return search.meant.values();
}

/** Walks through sorted words as through a tree of their letters. */
class SlipSearch {
  readonly meant = new Map<Known, Meant>();
  readonly #anySlip: boolean;

  constructor(
    private readonly vocabulary: Vocabulary,
    private readonly letters: string,
    private readonly neighbours: Neighbours,
    private readonly leastWord: number,
  ) {
    this.#anySlip = letters.length >= LEAST_FOR_ANY_SLIP;
  }

  inLaterLetters(slips: number): void {
    this.#walk(this.vocabulary.withInitial(this.letters.charAt(0)), 1, 1, slips, 1);
  }

  /** People rarely slip there, so it is tried for one slip alone. */
  inFirstLetter(): void {
    const { letters, vocabulary } = this;
    const [first = '', second = ''] = letters;
    const startingWith = (meant: string, likelihood: number) => {
      this.#add(vocabulary.startingWith(meant), meant.length, likelihood * LIKELIHOOD.inFirstLetter);
    };
    if (second !== first) startingWith(second + first + letters.slice(2), LIKELIHOOD.swapped);
    if (!this.#anySlip) return;
    for (const other of this.neighbours.get(first) ?? '')
      startingWith(other + letters.slice(1), LIKELIHOOD.neighbour);
    startingWith(letters.slice(1), LIKELIHOOD.struckToo);
    for (const initial of vocabulary.initials) startingWith(initial + letters, LIKELIHOOD.omitted);
  }

  #add({ words, from, to }: Range, length: number, likelihood: number): void {
    for (let n = from; n < to; n += 1) {
      const known = words[n] as Known;
      if (known.word.length < this.leastWord) continue;
      const before = this.meant.get(known);
      if (!before || before.likelihood < likelihood) this.meant.set(known, { known, length, likelihood });
    }
  }

  /** `depth` letters of the words of `range` stand for `at` typed ones; `left` slips are still to come. */
  #walk(range: Range, depth: number, at: number, left: number, likelihood: number): void {
    if (range.from >= range.to) return;
    const { letters } = this;
    if (at === letters.length) {
      if (left === 0) this.#add(range, depth, likelihood);
      return;
    }
    const code = letters.charCodeAt(at);
    this.#walk(narrowed(range, depth, code), depth + 1, at + 1, left, likelihood);
    if (left === 0) return;
    this.#walkOneTooMany(range, depth, at, left, likelihood);
    const { words, to } = range;
    for (let n = range.from; n < to;) {
      const other = (words[n] as Known).word.charCodeAt(depth) || 0;
      const end = firstWith(words, depth, n, to, other + 1);
      if (other !== 0 && other !== code)
        this.#walkOther({ words, from: n, to: end }, depth, at, left, likelihood);
      n = end;
    }
  }

  /** The typed letter is one too many. */
  #walkOneTooMany(range: Range, depth: number, at: number, left: number, likelihood: number): void {
    if (!this.#anySlip) return;
    const { letters } = this;
    const letter = letters.charAt(at);
    const before = letters.charAt(at - 1);
    const doubled = before === letter;
    const beside = this.#near(before, letter) || this.#near(letters.charAt(at + 1), letter);
    const share = doubled ? LIKELIHOOD.doubled : beside ? LIKELIHOOD.struckToo : LIKELIHOOD.otherExtra;
    this.#walk(range, depth, at + 1, left - 1, likelihood * share);
  }

  /** The words have another letter than the typed one at this place. */
  #walkOther(range: Range, depth: number, at: number, left: number, likelihood: number): void {
    const { letters } = this;
    const other = (range.words[range.from] as Known).word.charAt(depth);
    const typed = letters.charAt(at);
    if (other === letters.charAt(at + 1))
      this.#walk(
        narrowed(range, depth + 1, letters.charCodeAt(at)),
        depth + 2,
        at + 2,
        left - 1,
        likelihood * LIKELIHOOD.swapped,
      );
    this.#walk(range, depth + 1, at, left - 1, likelihood * LIKELIHOOD.omitted);
    if (!this.#anySlip) return;
    const share = this.#near(other, typed) ? LIKELIHOOD.neighbour : LIKELIHOOD.otherLetter;
    this.#walk(range, depth + 1, at + 1, left - 1, likelihood * share);
  }

  #near(a: string, b: string): boolean {
    return b !== '' && (this.neighbours.get(a)?.includes(b) ?? false);
  }
}
