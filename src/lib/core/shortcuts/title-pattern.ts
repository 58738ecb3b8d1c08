/**
 * Patterns for titles: regular expressions that are found anywhere in a title, capital or small. The engine is RE2's, whose
 * time grows with the length of the title alone (R. Cox, "Regular Expression Matching Can Be Simple And Fast", 2007), so no
 * pattern can keep anybody waiting; what cannot be matched like that (look-around, back references) is no pattern.
 */
import { RE2JS, RE2JSException } from 're2js';

/** A pattern, or what is wrong with it. */
export type TitlePattern = { readonly matches: (title: string) => boolean } | { readonly problem: string };

/**
 * Reads a pattern.
 * @example 'problem' in titlePattern('berth (') // true
 */
export function titlePattern(text: string): TitlePattern {
  if (text.trim() === '') return { problem: 'Type a part of the titles, or a regular expression.' };
  try {
    const expression = RE2JS.compile(text, RE2JS.CASE_INSENSITIVE);
    return { matches: (title) => expression.test(title) };
  } catch (error) {
    if (!(error instanceof RE2JSException)) throw error;
    return { problem: `This is no expression that titles can be matched with: ${error.message}` };
  }
}
