/**
 * Search over a session's candidates. Matching is fuzzysort's (npm): words in any order, word starts, initials,
 * gaps, accents and case folded, with a quality from 0 to 1. Two swapped neighbours are tried when nothing matches
 * well. The ranking is ours, see {@link rankOf}.
 */
import fuzzysort, { type SnapshotKey } from 'fuzzysort';
import type { Instant, LearnedChoice, Session } from '../session/session';
import { candidatesOf, type Candidate } from './candidates';
import { strengthAt } from './learning';

export interface Found {
  readonly candidate: Candidate;
  /** How well the letters match, 0 to 1. */
  readonly quality: number;
  readonly rank: number;
  /** The matched letters: indices into the title, and into the detail. */
  readonly titleMarks: ReadonlySet<number>;
  readonly detailMarks: ReadonlySet<number>;
}

/** The most results that are shown. */
export const MOST_RESULTS = 50;
/** Below this quality the letters are merely scattered over the text. */
const LEAST_QUALITY = 0.2;
/** If nothing matches at least this well, scattered letters and swapped neighbours are tried … */
const GOOD_QUALITY = 0.5;
/** … and count this much of what they match. */
const SWAPPED_SHARE = 0.85;
const LEAST_SWAPPED_LENGTH = 3;
const LONGEST_SWAPPED_LENGTH = 16;

/** The most that remembered choices can add to a rank; one fresh choice adds a third of it. */
export const MOST_LEARNED = 0.3;
/** How much a single fresh choice adds: as far as one slip can ever move a result. */
export const ONE_CHOICE = MOST_LEARNED / 3;
const RUNNING = 0.06;
const MOST_RECENT = 0.04;

/** What keeps title and detail apart in the searched text. */
const JOINT = ' · ';

/** Candidates made ready for searching. */
export interface Catalogue {
  readonly candidates: readonly Candidate[];
  readonly byKey: ReadonlyMap<string, Candidate>;
  /** The candidates by what a choice of them is remembered as. */
  readonly byLearned: ReadonlyMap<string, readonly Candidate[]>;
  readonly snapshot: SnapshotKey<Candidate>;
  /** Another one for repaired slips: a snapshot narrows from keystroke to keystroke, and slips would break that. */
  readonly slips: SnapshotKey<Candidate>;
}

const textOf = (candidate: Candidate): string =>
  candidate.detail === '' ? candidate.title : `${candidate.title}${JOINT}${candidate.detail}`;

/** Makes candidates ready; do it once, then search often. */
export const catalogueOf = (candidates: readonly Candidate[]): Catalogue => ({
  candidates,
  byKey: new Map(candidates.map((candidate) => [candidate.key, candidate])),
  byLearned: grouped(candidates),
  snapshot: fuzzysort.snapshot(candidates, { key: textOf }),
  slips: fuzzysort.snapshot(candidates, { key: textOf }),
});

function grouped(candidates: readonly Candidate[]): Map<string, Candidate[]> {
  const groups = new Map<string, Candidate[]>();
  for (const candidate of candidates) {
    const group = groups.get(candidate.learnedAs);
    if (group) group.push(candidate);
    else groups.set(candidate.learnedAs, [candidate]);
  }
  return groups;
}

const catalogues = new WeakMap<Session, Catalogue>();

/** The catalogue of a session, made at its first search. */
export function sessionCatalogue(session: Session): Catalogue {
  const known = catalogues.get(session);
  if (known) return known;
  const made = catalogueOf(candidatesOf(session));
  catalogues.set(session, made);
  return made;
}

/** What the letters find, best first, at most {@link MOST_RESULTS}; nothing for blank letters. */
export function search(
  catalogue: Catalogue,
  letters: string,
  learned: readonly LearnedChoice[],
  at: Instant,
): Found[] {
  const query = letters.trim();
  if (query === '') return [];
  const strengths = strengthsFor(query, learned, at);
  const found = new Map<string, Found>();
  const add = (candidate: Candidate, quality: number, indexes: readonly number[]) => {
    const before = found.get(candidate.key);
    if (before && before.quality >= quality) return;
    const rank = rankOf(candidate, quality, strengths.get(candidate.learnedAs) ?? 0);
    found.set(candidate.key, { candidate, quality, rank, ...marksOf(candidate, indexes) });
  };

  const match = (letters: string, threshold: number, among = catalogue.snapshot, share = 1) => {
    for (const { obj, score, indexes } of fuzzysort.go(letters, among, {
      limit: MOST_RESULTS,
      threshold,
    }))
      add(obj, score * share, indexes);
  };
  match(query, GOOD_QUALITY);
  if (found.size === 0) {
    match(query, LEAST_QUALITY);
    for (const variant of swapped(query)) match(variant, GOOD_QUALITY, catalogue.slips, SWAPPED_SHARE);
  }
  // What was learned counts even where many others match better.
  for (const candidate of [...strengths.keys()].flatMap((choice) => catalogue.byLearned.get(choice) ?? [])) {
    const known = fuzzysort.single(query, textOf(candidate));
    if (known && known.score >= LEAST_QUALITY) add(candidate, known.score, known.indexes);
  }
  return [...found.values()].sort((a, b) => b.rank - a.rank).slice(0, MOST_RESULTS);
}

/**
 * The rank of a match: its quality, plus what was learned (strength s adds MOST_LEARNED · s / (s + 2), so that one
 * choice adds a third of the most and no number of them more than all of it), plus a little for what runs, and a
 * little for what was used recently.
 */
export function rankOf(candidate: Candidate, quality: number, strength: number): number {
  const learned = (MOST_LEARNED * strength) / (strength + 2);
  const recent = MOST_RECENT / (1 + candidate.position);
  return quality + learned + (candidate.running ? RUNNING : 0) + recent;
}

/** How strongly each choice is remembered for these letters, or for longer ones that begin with them. */
function strengthsFor(query: string, learned: readonly LearnedChoice[], at: Instant): Map<string, number> {
  const strengths = new Map<string, number>();
  for (const choice of learned)
    if (choice.letters.startsWith(lettersOf(query)))
      strengths.set(choice.choice, (strengths.get(choice.choice) ?? 0) + strengthAt(choice, at));
  return strengths;
}

/** What is remembered, strongest first, with its strength at an instant. */
export const strongest = (
  learned: readonly LearnedChoice[],
  at: Instant,
): (LearnedChoice & { readonly strength: number })[] =>
  learned
    .map((choice) => ({ ...choice, strength: strengthAt(choice, at) }))
    .sort((a, b) => b.strength - a.strength);

/** Letters as they are remembered: trimmed, in lower case. */
export const lettersOf = (letters: string): string => letters.trim().toLowerCase();

/** The query with each pair of neighbouring letters of a word swapped. */
function swapped(query: string): string[] {
  if (query.length < LEAST_SWAPPED_LENGTH || query.length > LONGEST_SWAPPED_LENGTH) return [];
  return Array.from(query.slice(1), (b, index) => {
    const a = query[index];
    return a === ' ' || b === ' ' || a === b ? '' : query.slice(0, index) + b + a + query.slice(index + 2);
  }).filter(Boolean);
}

function marksOf(
  candidate: Candidate,
  indexes: readonly number[],
): Pick<Found, 'titleMarks' | 'detailMarks'> {
  const start = candidate.title.length + JOINT.length;
  return {
    titleMarks: new Set(indexes.filter((index) => index < candidate.title.length)),
    detailMarks: new Set(indexes.filter((index) => index >= start).map((index) => index - start)),
  };
}
