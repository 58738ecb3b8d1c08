/** Candidates made ready for searching: the work is done once, the searching often. */
import fuzzysort, { type Prepared, type SnapshotKey } from 'fuzzysort';
import type { Candidate } from './candidates';

/** A candidate and one of its searched texts as the matcher wants it; by a synonym, which is its detail then. */
export interface Entry {
  readonly candidate: Candidate;
  readonly prepared: Prepared;
}

/** All candidates, prepared so that a letter need not look at each of them. */
export interface Catalogue {
  /** The entries by what a choice of them is remembered as. */
  readonly byLearned: ReadonlyMap<string, readonly Entry[]>;
  /** The entries that have a word starting with a letter: what is meant most often, and far fewer than all. */
  readonly byInitial: ReadonlyMap<string, SnapshotKey<Entry>>;
  readonly all: SnapshotKey<Entry>;
}

/** What keeps title and detail apart in the searched text. */
export const JOINT = ' · ';

/** The text of a candidate that is searched. */
export const textOf = (candidate: Candidate): string =>
  candidate.detail === '' ? candidate.title : `${candidate.title}${JOINT}${candidate.detail}`;

/** Makes candidates ready. */
export function makeCatalogue(candidates: readonly Candidate[]): Catalogue {
  const entries = candidates.flatMap((candidate): Entry[] => [
    { candidate, prepared: fuzzysort.prepare(textOf(candidate)) },
    ...candidate.synonyms.map((synonym) => ({
      candidate: { ...candidate, detail: synonym },
      prepared: fuzzysort.prepare(synonym),
    })),
  ]);
  const initials = grouped(entries, ({ prepared }) => initialsOf(prepared.target));
  return {
    byLearned: grouped(entries, ({ candidate }) => [candidate.learnedAs]),
    byInitial: new Map([...initials].map(([initial, group]) => [initial, snapshotOf(group)])),
    all: snapshotOf(entries),
  };
}

const snapshotOf = (entries: readonly Entry[]): SnapshotKey<Entry> =>
  fuzzysort.snapshot(entries, { key: ({ prepared }) => prepared });

function grouped(
  entries: readonly Entry[],
  keysOf: (entry: Entry) => Iterable<string>,
): Map<string, Entry[]> {
  const groups = new Map<string, Entry[]>();
  for (const entry of entries)
    for (const key of keysOf(entry)) {
      const group = groups.get(key);
      if (group) group.push(entry);
      else groups.set(key, [entry]);
    }
  return groups;
}

/** Text without its accents and in lower case, so that letters are told apart as the matcher does. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/**
 * The letters and digits that words of a text start with, without accents, in lower case.
 * @example [...initialsOf('Éclair, 2 posts')] // ['e', '2', 'p']
 */
export const initialsOf = (text: string): Set<string> =>
  new Set(plain(text).match(/(?<![\p{L}\p{N}])[\p{L}\p{N}]/gu));
