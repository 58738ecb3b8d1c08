/**
 * Letters that are made of pieces of neighbouring words: of their starts, or of their consonants. Where pieces may end is
 * told by the bits of one number, so that all ways of cutting are followed at once.
 */

import type { Kind } from './kinds';

/** Letters are cut into pieces up to this many. */
export const MOST_LETTERS_IN_PIECES = 28;

/** Where a piece of `word` may end, as bits, if it starts at the `at`th of the letters. */
export type Ends = (word: string, letters: string, at: number) => number;

/** Whole words, and the start of one more at the end. */
const wholeWords: Ends = (word, letters, at) => {
  const common = lettersInCommon(word, letters, at);
  return common === word.length || at + common === letters.length ? 1 << (at + common) : 0;
};

/** Starts of words, of two letters and more. */
const startsOfWords: Ends = (word, letters, at) => {
  const common = lettersInCommon(word, letters, at);
  return common < 2 ? 0 : (1 << (at + common + 1)) - (1 << (at + 2));
};

function lettersInCommon(word: string, letters: string, at: number): number {
  let common = 0;
  while (common < word.length && at + common < letters.length && word[common] === letters[at + common])
    common += 1;
  return common;
}

const VOWELS = 'aeiouy';

/**
 * Words without their vowels but for the first letter, of two letters and more; a y may stand or not, and of two letters that
 * are the same one.
 */
const withoutVowels: Ends = (word, letters, at) => {
  let ends = 0;
  let end = at;
  for (let n = 0; n < word.length && end < letters.length; n += 1) {
    const letter = word[n] as string;
    const vowel = n > 0 && VOWELS.includes(letter);
    if (letter === letters[end] && (!vowel || letter === 'y')) {
      end += 1;
      if (end - at >= 2) ends |= 1 << end;
    } else if (!vowel && letter !== word[n - 1]) break;
  }
  return ends;
};

/** A way of making letters of pieces: of how many words at most, the kind of match, and how close that is within it. */
export interface Way {
  readonly kind: Extract<Kind, 'run-together' | 'consonants'>;
  readonly ends: Ends;
  readonly most: number;
  readonly closeness: number;
}

/** All ways, the surest first. */
export const WAYS: readonly Way[] = [
  { kind: 'run-together', ends: wholeWords, most: Infinity, closeness: 1 },
  { kind: 'run-together', ends: startsOfWords, most: Infinity, closeness: 0.3 },
  { kind: 'consonants', ends: withoutVowels, most: 1, closeness: 1 },
  { kind: 'consonants', ends: withoutVowels, most: Infinity, closeness: 0.3 },
];

/** Whether letters are made of one piece of each word from `from` on, of `most` words at most and none left out. */
export function isMadeOfPieces(
  words: readonly string[],
  from: number,
  letters: string,
  ends: Ends,
  most: number,
): boolean {
  const all = 1 << letters.length;
  const end = Math.min(words.length, from + most);
  let reached = 1;
  for (let n = from; n < end && reached !== 0; n += 1) {
    let next = 0;
    for (let at = 0; reached >> at !== 0; at += 1)
      if ((reached >> at) & 1) next |= ends(words[n] as string, letters, at);
    if ((next & all) !== 0) return true;
    reached = next;
  }
  return false;
}

/** The pieces that letters are made of, one for each word from `from` on; null if they are not. */
export function piecesOf(
  words: readonly string[],
  from: number,
  letters: string,
  ends: Ends,
  at = 0,
): string[] | null {
  if (at === letters.length) return [];
  const word = words[from];
  if (word === undefined) return null;
  const possible = ends(word, letters, at);
  for (let end = letters.length; end > at; end -= 1) {
    if (((possible >> end) & 1) === 0) continue;
    const rest = piecesOf(words, from + 1, letters, ends, end);
    if (rest) return [letters.slice(at, end), ...rest];
  }
  return null;
}
