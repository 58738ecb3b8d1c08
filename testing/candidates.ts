/** Candidates for search without a session around them, and someone who searches. */
import type { Candidate } from '../src/lib/core/search/candidates';
import { Catalogue } from '../src/lib/core/search/catalogue';
import { neighboursOn } from '../src/lib/core/search/keyboard';
import type { Searcher } from '../src/lib/core/search/search';
import { later } from './sessions';

/** The neighbours of keys on a keyboard of the United States. */
export const US_NEIGHBOURS = neighboursOn(() => null);

/** Someone who has taught search nothing, at its first moment. */
export const NEWCOMER: Searcher = { learned: [], neighbours: US_NEIGHBOURS, at: later(0) };

/** A document by its title alone. */
export const titled = (title: string, more: Partial<Candidate> = {}): Candidate => ({
  key: `document:${title}`,
  learnedAs: `document:${title}`,
  subject: { kind: 'document', document: title, application: 'a' },
  title,
  detail: '',
  also: [],
  ...more,
});

/** A catalogue of candidates that were never used. */
export function catalogueOfCandidates(candidates: readonly Candidate[]): Catalogue {
  const catalogue = new Catalogue();
  for (const candidate of candidates) catalogue.put(candidate, Infinity);
  return catalogue;
}

/** A catalogue of titles, most recent first, each with its position as its key. */
export function catalogueOfTitles(titles: readonly string[], more: Partial<Candidate> = {}): Catalogue {
  const catalogue = new Catalogue();
  for (const [position, title] of titles.entries()) {
    const key = `document:${position}`;
    catalogue.put(titled(title, { key, learnedAs: key, ...more }), position);
  }
  return catalogue;
}
