/**
 * Matching and ranking against two general-purpose fuzzy-matching packages that ours has nothing to do with,
 * uFuzzy and Fuse.js (npm), on an open English word list (npm: an-array-of-english-words).
 */
import UFuzzy from '@leeoniya/ufuzzy';
import Fuse from 'fuse.js';
import { describe, expect, it } from 'vitest';
import { catalogueOfCandidates, NEWCOMER, titled } from '../../../../testing/candidates';
import { words } from '../../../../testing/words';
import { search } from './search';

const LIST = words(2_000);
const catalogue = catalogueOfCandidates(LIST.map((title) => titled(title)));
const ufuzzy = new UFuzzy();
const fuse = new Fuse(LIST, { includeScore: true });

/** By how much Fuse's best must beat its second (0 is perfect, 1 is nothing) to be a clear winner. */
const CLEAR_LEAD = 0.1;

/** The word that both packages put first, if it is clear; null otherwise. */
function clearWinner(letters: string): string | null {
  const [best, second] = fuse.search(letters, { limit: 2 });
  const lead = (second?.score ?? 1) - (best?.score ?? 1);
  const [, info, order] = ufuzzy.search(LIST, letters);
  const first = info && order ? LIST[info.idx[order[0] ?? -1] ?? -1] : undefined;
  return best && lead >= CLEAR_LEAD && best.item === first ? first : null;
}

describe('where uFuzzy and Fuse.js agree on a clear winner, so do we', () => {
  it.each([
    ['whole words', (word: string) => word],
    ['words without their last letters', (word: string) => word.slice(0, -2)],
    ['words without their ends', (word: string) => word.slice(0, Math.ceil(word.length * 0.6))],
  ])('for %s', (_, typed) => {
    const asked = words(200)
      .filter((word) => word.length >= 6)
      .map(typed);
    const judged = asked.flatMap((letters) => {
      const winner = clearWinner(letters);
      return winner === null ? [] : [{ letters, winner }];
    });
    expect(judged.length).toBeGreaterThan(20);
    const ours = judged.map(({ letters }) => search(catalogue, letters, NEWCOMER)[0]?.candidate.title);
    expect(ours).toEqual(judged.map(({ winner }) => winner));
  });
});
