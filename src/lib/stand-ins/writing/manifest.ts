import type { Manifest } from '../manifest';
import { wordsText } from './words';

/** A program in which one writes plain text of a kind. */
export const writing = (
  kind: string,
  name: string,
  make: { readonly title: string; readonly synonyms: readonly string[] },
): Manifest => ({
  kind,
  name,
  problem: () => null,
  writes: true,
  keys: [
    { code: 'KeyS', what: `saves the ${name.toLowerCase()}` },
    { code: 'KeyF', what: 'seeks in the text' },
  ],
  actions: [
    {
      id: 'new',
      ...make,
      makes: true,
      run: () => ({ says: `A ${make.title.toLowerCase()}`, makes: { title: make.title, text: '' } }),
    },
    {
      id: 'count-words',
      title: 'Count the words',
      synonyms: ['how many words', 'length'],
      run: wordsText,
    },
  ],
});
