import type { Manifest } from '../manifest';

/** Plain text to write. */
export const letter: Manifest = {
  kind: 'letter',
  name: 'Letter',
  problem: () => null,
  writes: true,
  keys: [{ code: 'KeyS', what: 'saves the letter' }],
  actions: [
    {
      id: 'new',
      title: 'New letter',
      synonyms: ['write', 'compose', 'new document'],
      makes: true,
      run: () => ({ says: 'A new letter', makes: { title: 'New letter', text: '' } }),
    },
    {
      id: 'count-words',
      title: 'Count the words',
      synonyms: ['how many words', 'length'],
      run: (text) => {
        const count = [...new Intl.Segmenter('en', { granularity: 'word' }).segment(text)].filter(
          ({ isWordLike }) => isWordLike,
        ).length;
        return count === 1 ? '1 word' : `${count} words`;
      },
    },
  ],
};
