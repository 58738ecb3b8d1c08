import { expect, it } from 'vitest';
import { countWords, wordsText } from './words';

it('counts the words of the annex’s own example', () => {
  // Unicode Standard Annex #29, 4: “The quick (“brown”) fox can’t jump 32.3 feet, right?” has these words: The, quick,
  // brown, fox, can’t, jump, 32.3, feet, right.
  expect(countWords('The quick (“brown”) fox can’t jump 32.3 feet, right?')).toBe(9);
});

it('says one, none and many', () => {
  expect([wordsText(''), wordsText(' — '), wordsText('tug'), wordsText('two tugs')]).toEqual([
    '0 words',
    '0 words',
    '1 word',
    '2 words',
  ]);
});
