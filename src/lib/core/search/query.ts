/** What was typed, made ready for matching. */
import { LONGEST_TITLE } from '../model/limits';
import { typedSpellingsOf, wordsOf } from './letters';
import { lettersIn } from './text';

/** One word of what was typed. */
export interface Part {
  readonly letters: string;
  /** Its first letter, as in {@link lettersIn}. */
  readonly first: number;
}

/** What was typed, in one spelling. */
export interface Query {
  readonly parts: readonly Part[];
  /** The parts without what was between them. */
  readonly joined: string;
  readonly has: number;
  /** As it was typed, but for case. */
  readonly written: string;
  /** What was typed between blanks with signs in it, as it was typed but for case. */
  readonly signed: readonly string[];
}

/** So many different words tell everything apart. */
const MOST_PARTS = 12;

/** What was typed in each of its spellings; none for blanks. */
export function queriesOf(typed: string): Query[] {
  // Letters beyond the longest title cannot tell anything apart.
  const written = typed.trim().slice(0, LONGEST_TITLE).toLowerCase();
  if (written === '') return [];
  const words = wordsOf(written);
  if (words.length === 0) return [{ parts: [], joined: '', has: 0, written, signed: [] }];
  return typedSpellingsOf(words.join(' ')).map((spelling) => queryOf(spelling, written));
}

/** A query of one spelling, its words between blanks; `written`: as it was typed. */
export function queryOf(spelling: string, written: string): Query {
  const words = [...new Set(spelling.split(' ').filter(Boolean))].slice(0, MOST_PARTS);
  const joined = words.join('');
  return {
    parts: words.map((letters) => ({ letters, first: lettersIn(letters.slice(0, 1)) })),
    joined,
    has: lettersIn(joined),
    written,
    signed: written.split(/\s+/u).filter((word) => /[^\p{L}\p{M}\p{N}]/u.test(word)),
  };
}
