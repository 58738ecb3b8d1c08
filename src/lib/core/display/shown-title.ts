import { LONGEST_TITLE } from '../model/limits';

/** Control characters (general category Cc), and line and paragraph separators. */
const BREAKS = /[\p{Cc}\p{Zl}\p{Zp}]+/gu;
/**
 * Explicit directional embeddings, overrides and isolates (Unicode Standard Annex #9, 2.1 to 2.4): a title could turn round
 * what stands beside it. The implicit marks stay, they say something of their neighbours only.
 */
const TURNING = /[\u202A-\u202E\u2066-\u2069]/gu;

const graphemes = new Intl.Segmenter('und', { granularity: 'grapheme' });

/**
 * A title from outside as it may be shown: one line, nothing that turns its surroundings round, and no longer than titles
 * are, cut between what people see as letters.
 * @example shownTitle('Log\n\u202Ebook') // 'Log book'
 */
export function shownTitle(title: string): string {
  const line = title.toWellFormed().replace(BREAKS, ' ').replace(TURNING, '').trim();
  if (line.length <= LONGEST_TITLE) return line;
  let end = 0;
  for (const { index, segment } of graphemes.segment(line.slice(0, 2 * LONGEST_TITLE))) {
    if (index + segment.length > LONGEST_TITLE - 1) break;
    end = index + segment.length;
  }
  return `${line.slice(0, end || LONGEST_TITLE - 1).toWellFormed()}…`;
}
