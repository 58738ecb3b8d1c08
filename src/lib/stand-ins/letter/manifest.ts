import { writing } from '../writing/manifest';

/** A letter: plain text. */
export const letter = writing('letter', 'Letter', {
  title: 'New letter',
  synonyms: ['write', 'compose', 'new document'],
});
