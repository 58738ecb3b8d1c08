import { writing } from '../writing/manifest';

/** A note: plain text. */
export const note = writing('note', 'Note', {
  title: 'New note',
  synonyms: ['jot down', 'remember', 'memo'],
});
