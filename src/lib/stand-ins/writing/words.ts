const SEGMENTS = new Intl.Segmenter('en', { granularity: 'word' });

/** How many words a text has (Unicode Standard Annex #29, Text Segmentation, as the platform carries it out). */
export function countWords(text: string): number {
  let count = 0;
  for (const { isWordLike } of SEGMENTS.segment(text)) if (isWordLike) count += 1;
  return count;
}

/** The same in words. */
export const wordsText = (text: string): string => {
  const count = countWords(text);
  return count === 1 ? '1 word' : `${count} words`;
};
