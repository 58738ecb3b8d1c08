/** The texts of something that can be found, made ready for matching. */
import { spellingsOf, wordsOf } from './letters';

/** Where a text stands: in the title, or beside it (the application's name, other tabs, states, other names). */
export type Field = 'title' | 'beside';

/** One text in one spelling. */
export interface Phrase {
  readonly field: Field;
  readonly words: readonly string[];
  /** The first letter of each word. */
  readonly initials: string;
  /** The spelling before it, if this is not the only one. */
  readonly otherSpellingOf: Phrase | null;
}

/** All the texts of something in all their spellings. */
export interface Text {
  readonly phrases: readonly Phrase[];
  /** All the letters that are searched, in one string. */
  readonly letters: string;
  /** Which letters occur, and which of them a word starts with: see {@link lettersIn}. */
  readonly has: number;
  readonly starts: number;
  /** Everything as it is written but for case, for signs, and for letters that were typed just so. */
  readonly written: string;
}

/** Makes a text ready. */
export function textOf(title: string, beside: readonly string[]): Text {
  const phrases = [...phrasesOf('title', title), ...beside.flatMap((text) => phrasesOf('beside', text))];
  const letters = phrases.map(({ words }) => words.join('')).join(' ');
  return {
    phrases,
    letters,
    has: lettersIn(letters),
    starts: phrases.reduce((starts, { initials }) => starts | lettersIn(initials), 0),
    written: [title, ...beside].join(' ').toLowerCase(),
  };
}

/** A text in each of its spellings. */
export function phrasesOf(field: Field, text: string): Phrase[] {
  let first: Phrase | null = null;
  return spellingsOf(wordsOf(text).join(' ')).flatMap((spelling) => {
    const words = spelling.split(' ').filter(Boolean);
    if (words.length === 0) return [];
    const phrase: Phrase = {
      field,
      words,
      initials: words.map((word) => word.charAt(0)).join(''),
      otherSpellingOf: first,
    };
    first ??= phrase;
    return [phrase];
  });
}

/** How often people who mean a phrase type it from its start; else any of its words. Chosen by `bench/search-quality`. */
const FROM_START = 0.6;

/** How likely someone who means a phrase types its `word`th word: in (0, 1]. */
export const likelihoodOf = ({ words }: Phrase, word: number): number =>
  (word === 0 ? FROM_START : 0) + (1 - FROM_START) / words.length;

/**
 * Which letters occur in folded letters, as 30 bits (so many are fastest): one each for a to z, one for digits, three shared by all others.
 * What lacks a bit of the letters that are asked for cannot match them.
 */
export function lettersIn(letters: string): number {
  let bits = 0;
  for (let at = 0; at < letters.length; at += 1) bits |= bitOf(letters.charCodeAt(at));
  return bits;
}

const SMALL_A = 'a'.charCodeAt(0);
const DIGIT_0 = '0'.charCodeAt(0);

/** Whether a code unit is one of the digits 0 to 9. */
export const isDigit = (code: number): boolean => code >= DIGIT_0 && code < DIGIT_0 + 10;

/** The bit of one code unit; none for a blank. */
function bitOf(code: number): number {
  if (code >= SMALL_A && code < SMALL_A + 26) return 1 << (code - SMALL_A);
  if (isDigit(code)) return 1 << 26;
  return code === 32 ? 0 : 1 << (27 + (code % 3));
}

/** Whether letters occur in a text in their order. */
export function occurs(text: string, letters: string): boolean {
  let n = 0;
  for (let at = 0; at < text.length; at += 1)
    if (text.charCodeAt(at) === letters.charCodeAt(n)) {
      n += 1;
      if (n === letters.length) return true;
    }
  return false;
}
