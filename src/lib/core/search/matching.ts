/** How letters match a text: in which kind of match, and how closely within it. */
import { BAND, bandOf, closenessOf, matchOf, NO_MATCH, type Match } from './kinds';
import { MOST_LETTERS_IN_PIECES, WAYS, isMadeOfPieces } from './pieces';
import type { Part, Query } from './query';
import { isDigit, likelihoodOf, occurs, type Phrase, type Text } from './text';
import type { Place } from './vocabulary';

/** A word shorter than this is no more than a start, unless it ends in a digit. */
const LEAST_WHOLE = 3;
const LEAST_PIECES = 3;
const LEAST_FRAGMENT = 2;

/** How much of the closeness of a word's start depends on how much of the word was typed. */
const COVERED = 0.6;

/** How close a match is beside one that is the same but for one thing; chosen by `bench/search-quality`. */
export const CLOSENESS = {
  /** It is not in the title. */
  beside: 0.15,
  /** Its words are neighbours, but typed the other way round. */
  otherOrder: 0.5,
  /** One of its words is in the title, the other beside it. */
  mixed: 0.3,
  /** Its words are not neighbours. */
  apart: 0.1,
  /** The signs that were typed are not there. */
  withoutSigns: 0.2,
  /** Its letters are scattered and do not start with the first of a word. */
  inside: 0.1,
} as const;

/** How close a match is that starts with a word of a phrase; `share`: by what else can be said of it. */
const closenessIn = (phrase: Phrase, word: number, share: number): number =>
  share * (phrase.field === 'title' ? 1 : CLOSENESS.beside) * likelihoodOf(phrase, word);

/** The match of so many letters that start a word where it stands. */
export function matchStart(word: string, { inTitle, likelihood }: Omit<Place, 'row'>, typed: number): Match {
  const { length } = word;
  const whole = typed === length && (typed >= LEAST_WHOLE || isDigit(word.charCodeAt(length - 1)));
  const band = inTitle
    ? whole
      ? BAND.word
      : BAND['word-start']
    : whole
      ? BAND['word-beside']
      : BAND['word-start-beside'];
  return matchOf(band, (1 - COVERED + (COVERED * typed) / length) * likelihood);
}

/** The best match of one part of a query; scattered letters do not count here. */
function matchPart(text: Text, part: Part): Match {
  const start = matchStarts(text, part);
  return start === NO_MATCH ? matchInside(text, part) : start;
}

function matchStarts(text: Text, { letters, first }: Part): Match {
  let best = NO_MATCH;
  if ((text.starts & first) === 0) return best;
  for (const phrase of text.phrases)
    for (let n = 0; n < phrase.words.length; n += 1) {
      const word = phrase.words[n] as string;
      if (!word.startsWith(letters)) continue;
      const place = { inTitle: phrase.field === 'title', likelihood: likelihoodOf(phrase, n) };
      best = Math.min(best, matchStart(word, place, letters.length));
    }
  return best;
}

/** The match of a part that no word starts with. */
export function matchInside(text: Text, { letters, first }: Part): Match {
  let best = NO_MATCH;
  if ((text.starts & first) !== 0)
    for (const phrase of text.phrases) best = Math.min(best, matchPieces(phrase, letters));
  return best < BAND.fragment ? best : Math.min(best, matchFragment(text, letters));
}

function matchPieces(phrase: Phrase, letters: string): Match {
  const { initials, words } = phrase;
  const at = letters.length < 2 ? -1 : initials.indexOf(letters);
  if (at >= 0) return matchOf(BAND.initials, closenessIn(phrase, at, letters.length / initials.length));
  if (letters.length < LEAST_PIECES || letters.length > MOST_LETTERS_IN_PIECES) return NO_MATCH;
  let best = NO_MATCH;
  for (let from = 0; from < words.length; from += 1) {
    if ((words[from] as string).charCodeAt(0) !== letters.charCodeAt(0)) continue;
    const way = WAYS.find(({ ends, most }) => isMadeOfPieces(words, from, letters, ends, most));
    if (way) best = Math.min(best, matchOf(BAND[way.kind], closenessIn(phrase, from, way.closeness)));
  }
  return best;
}

function matchFragment(text: Text, letters: string): Match {
  if (letters.length < LEAST_FRAGMENT || !text.letters.includes(letters)) return NO_MATCH;
  let best = NO_MATCH;
  for (const phrase of text.phrases)
    for (const word of phrase.words)
      if (word.includes(letters))
        best = Math.min(best, matchOf(BAND.fragment, closenessIn(phrase, 0, letters.length / word.length)));
  return best;
}

/**
 * Whether all parts of a query can match a text with these letters and first letters of words at all: each has its letters
 * in their order, or together if no word starts with its first. What lacks a part lacks every longer one, too.
 */
export function canMatch(text: string, starts: number, query: Query): boolean {
  for (let n = 0; n < query.parts.length; n += 1) {
    const { letters, first } = query.parts[n] as Part;
    if (!((starts & first) === 0 ? text.includes(letters) : occurs(text, letters))) return false;
  }
  return true;
}

/**
 * The match of a whole query: of the kind of its weakest part, and as close as its least close. `better` may know a better
 * match of a part, by its number.
 */
export function matchQuery(text: Text, query: Query, better?: (part: number) => Match): Match {
  const { joined, parts } = query;
  if (parts.length === 0) return text.written.includes(query.written) ? matchOf(BAND.fragment, 1) : NO_MATCH;
  let [best, worst, closeness] = [NO_MATCH, 0, 1];
  for (let n = 0; n < parts.length; n += 1) {
    const match = Math.min(matchPart(text, parts[n] as Part), better?.(n) ?? NO_MATCH);
    best = Math.min(best, match);
    worst = Math.max(worst, match);
    closeness = Math.min(closeness, closenessOf(match));
  }
  const band = bandOf(worst);
  if (band > BAND['run-together'] && parts.length > 1 && startsOneWord(text, joined))
    return matchOf(BAND['run-together'], 1);
  if (band === NO_MATCH) return NO_MATCH;
  if (parts.length === 1) return withSigns(text, query, worst);
  // A word in the title and one beside it are as good as two in the title that have nothing to do with each other.
  const inTitle = best < BAND['word-beside'];
  const mixed = inTitle && (band === BAND['word-beside'] || band === BAND['word-start-beside']);
  const match = mixed
    ? matchOf(band - BAND['word-beside'], closeness * CLOSENESS.mixed)
    : matchOf(band, closeness * closenessOfWords(text, parts));
  return withSigns(text, query, match);
}

/** How close parts are for being neighbouring words, in their order or the other way round. */
function closenessOfWords(text: Text, parts: readonly Part[]): number {
  let closeness: number = CLOSENESS.apart;
  const last = parts.length - 1;
  for (const { words } of text.phrases)
    for (let from = 0; from + last < words.length; from += 1) {
      if (parts.every(({ letters }, n) => words[from + n]?.startsWith(letters))) return 1;
      if (parts.every(({ letters }, n) => words[from + last - n]?.startsWith(letters)))
        closeness = CLOSENESS.otherOrder;
    }
  return closeness;
}

/** One word that was typed as several. */
const startsOneWord = (text: Text, joined: string): boolean =>
  text.letters.includes(joined) &&
  text.phrases.some(({ words }) => words.some((word) => word.startsWith(joined)));

/** The same match, less close if signs were typed that are not there. */
export function withSigns(text: Text, { signed }: Query, match: Match): Match {
  if (signed.every((written) => text.written.includes(written))) return match;
  return matchOf(bandOf(match), closenessOf(match) * CLOSENESS.withoutSigns);
}

/** Letters that do not start with the first of a word must stand so close together. */
const LEAST_DENSITY = 0.5;

/** Letters in their order, best from the start of a word on; the closer, the denser. */
export function matchScattered(text: Text, { parts }: Query): Match {
  let closeness = parts.length === 0 ? 0 : 1;
  for (const { letters } of parts) {
    let best = 0;
    for (const phrase of text.phrases) best = Math.max(best, closenessOfScattered(phrase, letters));
    closeness = Math.min(closeness, best);
  }
  return closeness === 0 ? NO_MATCH : matchOf(BAND.scattered, closeness);
}

function closenessOfScattered(phrase: Phrase, letters: string): number {
  const joined = phrase.words.join('');
  let best = 0;
  let start = 0;
  phrase.words.forEach((word, n) => {
    const first = word.indexOf(letters.charAt(0));
    const atStart = first === 0 ? letters.length / spanOf(joined, letters, start) : 0;
    const within = first === -1 ? 0 : letters.length / spanOf(word, letters, first);
    const density = Math.max(atStart, within < LEAST_DENSITY ? 0 : within * CLOSENESS.inside);
    best = Math.max(best, closenessIn(phrase, n, density));
    start += word.length;
  });
  return best;
}

/** How many letters of a text from a place on hold all of these letters in their order; Infinity if they do not. */
function spanOf(text: string, letters: string, from: number): number {
  let at = from - 1;
  for (let n = 0; n < letters.length; n += 1) {
    at = text.indexOf(letters.charAt(n), at + 1);
    if (at < 0) return Infinity;
  }
  return at + 1 - from;
}
