import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { US_NEIGHBOURS } from '../../../../testing/candidates';
import { words } from '../../../../testing/words';
import { meantWith } from './slips';
import { textOf } from './text';
import { Vocabulary } from './vocabulary';

const vocabularyOf = (list: readonly string[]): Vocabulary => {
  const vocabulary = new Vocabulary();
  for (const [row, word] of list.entries()) vocabulary.add(row, textOf(word, []));
  return vocabulary;
};
const meant = (letters: string, list: readonly string[], slips: 1 | 2 = 1) =>
  [...meantWith(slips, vocabularyOf(list), letters, US_NEIGHBOURS)]
    .sort((a, b) => b.likelihood - a.likelihood)
    .map(({ known }) => known.word);

describe('one slip', () => {
  it.each([
    ['a doubled letter', 'staack', 'stack'],
    ['another doubled letter', 'figgure', 'figure'],
    ['a neighbouring key', 'angwr', 'anger'],
    ['a letter left out', 'jety', 'jetty'],
    ['a key struck as well', 'harvbour', 'harbour'],
    ['two swapped', 'guage', 'gauge'],
    ['one from elsewhere', 'harpour', 'harbour'],
    ['one too many from elsewhere', 'harpbour', 'harbour'],
    ['a neighbour of the first', 'yimber', 'timber'],
    ['the first two swapped', 'itmber', 'timber'],
    ['the first left out', 'imber', 'timber'],
    ['one before the first', 'rtimber', 'timber'],
    ['in the start of a word', 'clearence', 'clearances'],
    ['swapped in three letters', 'lgo', 'logs'],
    ['swapped in a word of three', 'lgo', 'log'],
  ])('%s', (_, letters, word) => expect(meant(letters, [word, 'zzz'])).toEqual([word]));

  it.each([
    ['two are too many', 'stakcc', 'stack'],
    ['in three letters none is replaced', 'hsr', 'harb'],
    ['short words have none', 'lig', 'log'],
    ['and neither have two letters', 'lg', 'logs'],
  ])('but %s', (_, letters, word) => expect(meant(letters, [word])).toEqual([]));

  it('a neighbouring key is likelier than one from elsewhere, and a later letter than the first', () => {
    expect(meant('harbiur', ['harblur', 'harbour'])).toEqual(['harbour', 'harblur']);
    expect(meant('timner', ['rimner', 'timber'])).toEqual(['timber', 'rimner']);
  });
});

describe('two slips', () => {
  it.each([
    ['in eight letters and more', 'calefnar', 'calendar'],
    ['that leave out letters', 'hadver', 'handover'],
  ])('%s', (_, letters, word) => expect(meant(letters, [word], 2)).toEqual([word]));

  it('but not in shorter words', () => {
    expect(meant('harvvour', ['harbour'], 2)).toEqual([]);
    expect(meant('figguer', ['figures'], 2)).toEqual([]);
  });
});

/**
 * The restricted Damerau–Levenshtein distance from letters to the nearest start of a word (optimal string alignment: Wagner
 * and Fischer 1974, with transpositions of neighbours by Lowrance and Wagner 1975; the recurrence from memory).
 */
function distanceToStart(letters: string, word: string): number {
  const rows = [Array.from({ length: word.length + 1 }, (_, n) => n)];
  for (let i = 1; i <= letters.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= word.length; j += 1) {
      const same = letters[i - 1] === word[j - 1] ? 0 : 1;
      const swapped =
        i > 1 && j > 1 && letters[i - 1] === word[j - 2] && letters[i - 2] === word[j - 1]
          ? (rows[i - 2]?.[j - 2] ?? 0) + 1
          : Infinity;
      row.push(
        Math.min(
          (rows[i - 1]?.[j] ?? 0) + 1,
          (row[j - 1] ?? 0) + 1,
          (rows[i - 1]?.[j - 1] ?? 0) + same,
          swapped,
        ),
      );
    }
    rows.push(row);
  }
  return Math.min(...(rows.at(-1) ?? []));
}

it('a word is meant with one slip exactly if its start is one edit away: the textbook distance over 1,500 words', () => {
  const list = words(1_500).filter((word) => word.length >= 6);
  const vocabulary = vocabularyOf(list);
  const letters = fc
    .tuple(fc.constantFrom(...list), fc.nat(4), fc.constantFrom(...'aehlnorst'), fc.constantFrom(0, 1))
    .map(([word, at, other, left]) => `${word.slice(0, at + 1)}${other}${word.slice(at + 1 + left)}`)
    .filter((letters) => letters.length >= 6);
  fc.assert(
    fc.property(letters, (letters) => {
      const found = new Set(
        Array.from(meantWith(1, vocabulary, letters, US_NEIGHBOURS), ({ known }) => known.word),
      );
      const near = list.filter((word) => distanceToStart(letters, word) === 1);
      // Another first letter is found if it is a neighbour, and what starts right needs no slip.
      const first = near.filter((word) => word[0] === letters[0]);
      expect([...found].filter((word) => distanceToStart(letters, word) > 1)).toEqual([]);
      expect(first.filter((word) => !found.has(word))).toEqual([]);
    }),
  );
});
