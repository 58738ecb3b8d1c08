/**
 * Search over a catalogue. Words that start with the letters come from its vocabulary; other kinds of match from a walk
 * through all entries that have the letters at all, while the list has room; slips from the vocabulary again, when no
 * word starts with the letters as they were typed. See `matching.ts` for the kinds, `ranking.ts` for their order.
 */
import type { Instant } from '../model/ids';
import { lessonsFor, type Lesson } from '../slices/learning/learning';
import type { LearnedChoice } from '../slices/learning/state';
import type { Candidate } from './candidates';
import type { Catalogue } from './catalogue';
import type { Neighbours } from './keyboard';
import { BAND, closenessOf, matchOf, NO_MATCH, type Match } from './kinds';
import { Matches, type Found } from './matches';
import {
  canMatch,
  CLOSENESS,
  matchInside,
  matchQuery,
  matchScattered,
  matchStart,
  withSigns,
} from './matching';
import { MOST_LETTERS_IN_PIECES } from './pieces';
import { queriesOf, queryOf, type Part, type Query } from './query';
import { meantWith } from './slips';
import type { Known } from './vocabulary';

/** What someone brings along when searching. */
export interface Searcher {
  readonly learned: readonly LearnedChoice[];
  readonly neighbours: Neighbours;
  readonly at: Instant;
}

/** The most results that are shown. */
export const MOST_RESULTS = 50;

/** What the letters find, best first, at most {@link MOST_RESULTS}; nothing for blank letters. */
export function search(catalogue: Catalogue, typed: string, { learned, neighbours, at }: Searcher): Found[] {
  const matches = new Matches(catalogue);
  const queries = queriesOf(typed);
  for (const query of queries) addAsTyped(catalogue, query, matches);
  if (matches.best >= BAND.initials)
    for (const query of queries) addMeant(catalogue, query, neighbours, matches);
  if (matches.rows.length === 0) for (const query of queries) addScattered(catalogue, query, matches);
  const lessons = lessonsByRow(
    catalogue,
    queries.length === 0 ? [] : lessonsFor(lettersOf(typed), learned, at),
  );
  // What was learned counts even where many others match better.
  for (const query of queries) addLearned(catalogue, query, lessons.keys(), matches);
  return matches.first(MOST_RESULTS, lessons, queries[0]?.parts.map(({ letters }) => letters) ?? []);
}

function lessonsByRow(
  catalogue: Catalogue,
  lessons: Iterable<[choice: string, Lesson]>,
): Map<number, Lesson> {
  const rows = new Map<number, Lesson>();
  for (const [choice, lesson] of lessons)
    for (const row of catalogue.rowsLearnedAs(choice)) rows.set(row, lesson);
  return rows;
}

/**
 * Letters as they are remembered: trimmed, in small letters.
 * @example lettersOf(' Oil ') // 'oil'
 */
export const lettersOf = (letters: string): string => letters.trim().toLowerCase();

function addAsTyped(catalogue: Catalogue, query: Query, matches: Matches): void {
  const [part, ...others] = query.parts;
  const single = part && others.length === 0 ? part : null;
  if (single) addStarts(catalogue, query, single, matches);
  else
    for (const row of rowsStartingWithAll(catalogue, query))
      matches.add(row, matchQuery(catalogue.entry(row).text, query));
  // As long as words that start with the letters fill the list, letters inside words would only be in the way.
  if (matches.strong >= MOST_RESULTS) return;
  for (const row of catalogue.rowsWith(query)) {
    if (matches.has(row)) continue;
    const { text } = catalogue.entry(row);
    matches.add(row, single ? matchInside(text, single) : matchQuery(text, query));
  }
}

/** Adds the words that start with the only part of a query; beside titles only while the list has room. */
function addStarts(catalogue: Catalogue, query: Query, { letters }: Part, matches: Matches): void {
  const { words, from, to } = catalogue.vocabulary.startingWith(letters);
  for (const inTitle of [true, false]) {
    if (matches.strong >= MOST_RESULTS) return;
    for (let n = from; n < to; n += 1) {
      const { word, places } = words[n] as Known;
      for (const place of places) {
        if (place.inTitle !== inTitle) continue;
        const match = matchStart(word, place, letters.length);
        const signed = query.signed.length > 0;
        matches.add(place.row, signed ? withSigns(catalogue.entry(place.row).text, query, match) : match);
      }
    }
  }
}

/** The rows that have a word which starts with some part and can match the others; the part that has fewest is looked up. */
function rowsStartingWithAll(catalogue: Catalogue, query: Query): Set<number> {
  const rows = new Set<number>();
  const [range] = query.parts
    .map(({ letters }) => catalogue.vocabulary.startingWith(letters))
    .sort((a, b) => a.to - a.from - (b.to - b.from));
  if (range)
    for (let n = range.from; n < range.to; n += 1)
      for (const { row } of (range.words[n] as Known).places) {
        const { has, letters, starts } = catalogue.entry(row).text;
        if ((query.has & ~has) === 0 && canMatch(letters, starts, query)) rows.add(row);
      }
  return rows;
}

/** Adds what is meant in spite of one slip, and if there is nothing, of two. */
function addMeant(catalogue: Catalogue, query: Query, neighbours: Neighbours, matches: Matches): void {
  const before = matches.rows.length;
  addWithSlips(catalogue, query, 1, neighbours, matches);
  if (matches.rows.length === 0) addWithoutBlank(catalogue, query, matches);
  if (matches.rows.length === before) addWithSlips(catalogue, query, 2, neighbours, matches);
}

function addWithSlips(
  catalogue: Catalogue,
  query: Query,
  slips: 1 | 2,
  neighbours: Neighbours,
  matches: Matches,
): void {
  const band = slips === 1 ? BAND.slip : BAND['two-slips'];
  const meant = query.parts.map(({ letters }) => {
    const byRow = new Map<number, { match: Match; letters: string }>();
    for (const { known, length, likelihood } of meantWith(slips, catalogue.vocabulary, letters, neighbours))
      for (const place of known.places) {
        const start = closenessOf(matchStart(known.word, place, length));
        const match = matchOf(band, likelihood * start * (place.inTitle ? 1 : CLOSENESS.beside));
        if (match < (byRow.get(place.row)?.match ?? NO_MATCH))
          byRow.set(place.row, { match, letters: known.word.slice(0, length) });
      }
    return byRow;
  });
  for (const row of new Set(meant.flatMap((byRow) => [...byRow.keys()]))) {
    const better = (part: number) => meant[part]?.get(row)?.match ?? NO_MATCH;
    const letters = query.parts.map((part, n) => meant[n]?.get(row)?.letters ?? part.letters);
    matches.add(row, matchQuery(catalogue.entry(row).text, query, better), letters);
  }
}

const LEAST_WITHOUT_BLANK = 4;

/** Two words between which the blank was left out, wherever they stand. */
function addWithoutBlank(catalogue: Catalogue, query: Query, matches: Matches): void {
  const { joined, parts } = query;
  if (parts.length !== 1 || joined.length < LEAST_WITHOUT_BLANK || joined.length > MOST_LETTERS_IN_PIECES)
    return;
  for (let cut = 2; cut <= joined.length - 2; cut += 1) {
    const two = queryOf(`${joined.slice(0, cut)} ${joined.slice(cut)}`, query.written);
    for (const row of rowsStartingWithAll(catalogue, two)) {
      const match = matchQuery(catalogue.entry(row).text, two);
      if (match < BAND.initials)
        matches.add(
          row,
          matchOf(BAND.slip, closenessOf(match)),
          two.parts.map(({ letters }) => letters),
        );
    }
  }
}

/** What ends or puts away something must be meant: scattered letters never find it. */
function addScattered(catalogue: Catalogue, query: Query, matches: Matches): void {
  const within = query.parts.length === 1 ? catalogue.vocabulary.rowsWithin(query.joined) : [];
  for (const row of new Set([...catalogue.rowsWith(query), ...within])) {
    const { candidate, text } = catalogue.entry(row);
    if (!isFirm(candidate)) matches.add(row, matchScattered(text, query));
  }
}

const isFirm = ({ subject }: Candidate): boolean => subject.kind === 'command' && subject.firm;

function addLearned(catalogue: Catalogue, query: Query, rows: Iterable<number>, matches: Matches): void {
  for (const row of rows)
    if (!matches.has(row)) {
      const { candidate, text } = catalogue.entry(row);
      const scattered = isFirm(candidate) ? NO_MATCH : matchScattered(text, query);
      matches.add(row, Math.min(matchQuery(text, query), scattered));
    }
}
