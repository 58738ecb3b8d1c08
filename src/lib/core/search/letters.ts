/**
 * Letters as they are compared: small, without accents, and in as many spellings as people type them in. Accents come
 * off by Unicode's compatibility decomposition (UAX #15). ß, ø, æ, ł and the like, and the Greek and Cyrillic letters, are
 * written with plain Latin ones by AnyAscii's table (see `scripts/latin-letters.ts`): for Greek that is the romanisation
 * of ISO 843 letter by letter, for Cyrillic the one that English uses.
 */
import latinLetters from './latin-letters.json';

const LATIN: Readonly<Record<string, string>> = latinLetters;

/** Umlauts and Nordic letters as two: for the German ones DIN 5007-2, for the others common practice. */
const TWO_LETTERS: Readonly<Record<string, string>> = { ä: 'ae', ö: 'oe', ü: 'ue', ø: 'oe', å: 'aa' };

/**
 * What people type one for the other, or leave out: the final sigma; alef, alef maksura and ta marbuta, and the stroke that
 * makes a word longer (common practice); apostrophes.
 */
const SAME: Readonly<Record<string, string>> = { ς: 'σ', ٱ: 'ا', ى: 'ي', ة: 'ه', ـ: '', "'": '', '’': '' };

const GREEK_OR_CYRILLIC = /[\u0370-\u03ff\u0400-\u052f]/u;
/** What needs no table. */
const PLAIN = /^[^\P{ASCII}']*$/u;

/** How one letter is spelled; a letter with its marks is one where Unicode has it so. */
type Spelling = (letter: string) => string;

const inOwnScript: Spelling = (letter) =>
  mapped(bare(letter), (one) => SAME[one] ?? (GREEK_OR_CYRILLIC.test(one) ? one : (LATIN[one] ?? one)));
const inLatin: Spelling = (letter) => mapped(inOwnScript(letter), (one) => LATIN[one] ?? one);
/** Some letters are another one with their marks: й is y, и is i. */
const inLatinWithMarks: Spelling = (letter) => LATIN[letter.toLowerCase()] ?? inLatin(letter);
const inTwoLetters: Spelling = (letter) => TWO_LETTERS[letter.toLowerCase()] ?? inLatin(letter);

const bare = (letter: string) => letter.toLowerCase().normalize('NFKD').replace(/\p{M}/gu, '');
const mapped = (letters: string, map: Spelling) => Array.from(letters, map).join('');

/** Every way of spelling, the one that is nearest to what is written first. */
const SPELLINGS = [inOwnScript, inLatin, inLatinWithMarks, inTwoLetters].map(remembering);
const [OWN_SCRIPT, , , TWO] = SPELLINGS as [Spelling, Spelling, Spelling, Spelling];

/** There are few letters, and each is spelled again and again. */
function remembering(spelling: Spelling): Spelling {
  const known = new Map<string, string>();
  return (letter) => {
    let spelled = known.get(letter);
    if (spelled === undefined) known.set(letter, (spelled = spelling(letter)));
    return spelled;
  };
}

const spelled = (text: string, spelling: Spelling): string =>
  PLAIN.test(text) ? text.toLowerCase() : mapped(text.normalize('NFC'), spelling);

/**
 * A text as letters are compared: in small letters, without accents, with ß as ss. Greek and Cyrillic stay.
 * @example fold('Weißhaupt, Écluse') // 'weisshaupt, ecluse'
 */
export const fold = (text: string): string => spelled(text, OWN_SCRIPT);

/**
 * All the spellings of a text, different from each other, its own script first.
 * @example spellingsOf('Größe') // ['grosse', 'groesse']
 */
export const spellingsOf = (text: string): string[] =>
  PLAIN.test(text)
    ? [text.toLowerCase()]
    : [...new Set(SPELLINGS.map((spelling) => spelled(text, spelling)))];

/**
 * The spellings of what was typed. Someone who types in another script means that script; umlauts may stand for two
 * letters there, too.
 */
export const typedSpellingsOf = (text: string): string[] =>
  GREEK_OR_CYRILLIC.test(text) ? [fold(text)] : [...new Set([fold(text), spelled(text, TWO)])];

/** A stretch of a text in UTF-16 code units: from the first up to but not including the last. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/**
 * Where each letter (code unit) of a spelling of a text stands in it, with its marks; null if it is none of its spellings.
 * @example originsOf('Süß', 'suss')?.[2] // { from: 2, to: 3 }
 */
export function originsOf(text: string, spelling: string): Stretch[] | null {
  const letters = [...text.matchAll(/\P{M}\p{M}*|\p{M}+/gu)];
  for (const spell of SPELLINGS) {
    const pieces = letters.map(([letter]) => mapped(letter.normalize('NFC'), spell));
    if (pieces.join('') !== spelling) continue;
    return letters.flatMap(({ 0: letter, index }, n) =>
      Array.from({ length: pieces[n]?.length ?? 0 }, () => ({ from: index, to: index + letter.length })),
    );
  }
  return null;
}

/** Words: letters, their marks and digits. One letter after an apostrophe belongs to a word; a capital starts a new one. */
const WORD =
  /(?:\p{Lu}\p{M}*)*(?:[\p{Ll}\p{Lt}\p{Lm}\p{Lo}\p{N}]\p{M}*)+(?:['’]\p{Ll}(?![\p{L}\p{M}\p{N}]))?|(?:\p{Lu}\p{M}*)+/gu;
/** The same where it is enough, in a fraction of the time. */
const PLAIN_WORD = /[A-Z]*[a-z0-9]+|[A-Z]+/g;

/** A word of a text, and where it starts. */
export interface Word {
  readonly text: string;
  readonly from: number;
}

const wordIn = (text: string): RegExp => (PLAIN.test(text) ? PLAIN_WORD : WORD);

/**
 * The words of a text.
 * @example wordsOf("indexFile: harbour's v2.1") // ['index', 'File', "harbour's", 'v2', '1']
 */
export const wordsOf = (text: string): readonly string[] => text.match(wordIn(text)) ?? [];

/** The words of a text, each with where it starts. */
export const placedWordsOf = (text: string): Word[] =>
  Array.from(text.matchAll(wordIn(text)), ({ 0: word, index }) => ({ text: word, from: index }));
