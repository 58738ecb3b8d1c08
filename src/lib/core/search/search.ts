/**
 * Search over a session's candidates. Matching is fuzzysort's (npm): words in any order, word starts, initials,
 * gaps, accents and case folded, with a quality from 0 to 1. Two swapped neighbours are tried when nothing matches
 * well. The ranking is ours, see {@link rankOf}.
 */
import fuzzysort, { type SnapshotKey } from 'fuzzysort';
import type { Instant } from '../model/ids';
import type { LearnedChoice } from '../slices/learning/state';
import type { Candidate } from './candidates';
import { initialsOf, JOINT, textOf, type Catalogue, type Entry } from './catalogue';
import { strengthAt } from '../slices/learning/learning';

/** A candidate that letters have found. */
export interface Found {
  readonly candidate: Candidate;
  /** How well the letters match, 0 to 1. */
  readonly quality: number;
  readonly rank: number;
  /** The letters that matched: those that were typed, or those with a slip repaired. */
  readonly letters: string;
}

/** The matched letters: indices into the title, and into the detail. */
export interface Marks {
  readonly title: ReadonlySet<number>;
  readonly detail: ReadonlySet<number>;
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
/** A command stands back behind things: it does something at once, so it must be meant. */
const COMMAND_HANDICAP = 0.15;
const MOST_RECENT = 0.04;

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
  const add = ({ candidate }: Entry, quality: number, letters: string) => {
    const before = found.get(candidate.key);
    if (before && before.quality >= quality) return;
    const rank = rankOf(candidate, quality, strengths.get(candidate.learnedAs) ?? 0);
    found.set(candidate.key, { candidate, quality, rank, letters });
  };
  const match = (
    letters: string,
    among: SnapshotKey<Entry> | undefined,
    threshold: number,
    share = 1,
  ): void => {
    if (!among) return;
    for (const { obj, score } of fuzzysort.go(letters, among, { limit: MOST_RESULTS, threshold }))
      add(obj, score * share, letters);
  };
  const starting = (letters: string) => catalogue.byInitial.get([...initialsOf(letters)][0] ?? '');

  // As long as word starts alone fill the list, letters inside words would only be in the way.
  match(query, starting(query), GOOD_QUALITY);
  if (found.size < MOST_RESULTS) match(query, catalogue.all, GOOD_QUALITY);
  if (found.size === 0) {
    match(query, catalogue.all, LEAST_QUALITY);
    if ([...found.values()].every(({ candidate }) => isFirm(candidate))) found.clear();
    for (const variant of swapped(query)) match(variant, starting(variant), GOOD_QUALITY, SWAPPED_SHARE);
  }
  // What was learned counts even where many others match better.
  for (const choice of strengths.keys())
    for (const entry of catalogue.byLearned.get(choice) ?? []) {
      if (found.has(entry.candidate.key)) continue;
      const known = fuzzysort.single(query, entry.prepared);
      if (known && known.score >= LEAST_QUALITY) add(entry, known.score, query);
    }
  return [...found.values()].sort((a, b) => b.rank - a.rank).slice(0, MOST_RESULTS);
}

/**
 * The rank of a match: its quality, plus what was learned (strength s adds MOST_LEARNED · s / (s + 2), so that one
 * choice adds a third of the most and no number of them more than all of it), plus a little for what runs and for
 * what was used recently, less something for a command.
 */
export function rankOf(candidate: Candidate, quality: number, strength: number): number {
  const learned = (MOST_LEARNED * strength) / (strength + 2);
  const recent = MOST_RECENT / (1 + candidate.position);
  const command = candidate.subject.kind === 'command' ? COMMAND_HANDICAP : 0;
  return quality + learned + (candidate.running ? RUNNING : 0) + recent - command;
}

/** How strongly each choice is remembered for these letters, or for longer ones that begin with them. */
function strengthsFor(query: string, learned: readonly LearnedChoice[], at: Instant): Map<string, number> {
  const strengths = new Map<string, number>();
  const letters = lettersOf(query);
  for (const choice of learned)
    if (choice.letters.startsWith(letters))
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

/**
 * Letters as they are remembered: trimmed, in lower case.
 * @example lettersOf(' Oil ') // 'oil'
 */
export const lettersOf = (letters: string): string => letters.trim().toLowerCase();

/** Whether choosing it would end or put away something: that is never all that scattered letters find. */
const isFirm = ({ subject }: Candidate): boolean => subject.kind === 'command' && subject.firm;

/** The query with each pair of neighbouring letters of a word swapped. */
function swapped(query: string): string[] {
  if (query.length < LEAST_SWAPPED_LENGTH || query.length > LONGEST_SWAPPED_LENGTH) return [];
  return Array.from(query.slice(1), (b, index) => {
    const a = query.charAt(index);
    return a === ' ' || b === ' ' || a === b ? '' : query.slice(0, index) + b + a + query.slice(index + 2);
  }).filter(Boolean);
}

/** Which letters of a result to mark. Asked for those that are drawn alone. */
export function marksOf({ candidate, letters }: Found): Marks {
  const indexes = fuzzysort.single(letters, textOf(candidate))?.indexes ?? [];
  const start = candidate.title.length + JOINT.length;
  return {
    title: new Set(indexes.filter((index) => index < candidate.title.length)),
    detail: new Set(indexes.filter((index) => index >= start).map((index) => index - start)),
  };
}
