/** Candidates for search without a session around them. */
import type { Candidate } from '../src/lib/core/search/candidates';
import { makeCatalogue, type Catalogue } from '../src/lib/core/search/catalogue';

/** A document by its title alone. */
export const titled = (title: string, more: Partial<Candidate> = {}): Candidate => ({
  key: `document:${title}`,
  learnedAs: `document:${title}`,
  subject: { kind: 'document', document: title, application: 'a' },
  title,
  detail: '',
  synonyms: [],
  running: false,
  position: Infinity,
  ...more,
});

/** A catalogue of titles, most recent first, each with its position as its key. */
export const catalogueOfTitles = (titles: readonly string[], more: Partial<Candidate> = {}): Catalogue =>
  makeCatalogue(
    titles.map((title, position) => {
      const key = `document:${position}`;
      return titled(title, { key, learnedAs: key, position, ...more });
    }),
  );
