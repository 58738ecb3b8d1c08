/** Which letters of a result to mark: those that matched, wherever they stand. Asked for results that are drawn alone. */
import { originsOf, placedWordsOf, type Stretch } from './letters';
import { piecesOf, WAYS } from './pieces';
import type { Found } from './matches';
import { phrasesOf } from './text';

/** A text with what is marked in it, in its order. */
export interface MarkedText {
  readonly text: string;
  readonly marks: readonly Stretch[];
}

/** A result as it is shown: its title, and what stands beside it, the texts in which letters matched among them. */
export interface MarkedFound {
  readonly title: MarkedText;
  readonly beside: readonly MarkedText[];
}

/** What letters match in a text: how well, the lower the better, and where. */
interface Place {
  readonly rank: number;
  readonly marks: readonly Stretch[];
}

/** A result with the letters marked that matched. Each word that was typed is marked in the text that it matches best. */
export function markedFound({ candidate, letters }: Found): MarkedFound {
  const texts = [candidate.title, candidate.detail, ...candidate.also];
  const marks = texts.map((): Stretch[] => []);
  for (const part of letters) {
    const places = texts.map((text) => placeIn(text, part));
    const best = places.reduce<number>(
      (best, place, n) => (place && place.rank < (places[best]?.rank ?? Infinity) ? n : best),
      0,
    );
    marks[best]?.push(...(places[best]?.marks ?? []));
  }
  const marked = texts.map((text, n) => ({ text, marks: joined(marks[n] ?? []) }));
  const [title = { text: '', marks: [] }, ...others] = marked;
  const beside = others.filter(({ text, marks }, n) => text !== '' && (n === 0 || marks.length > 0));
  return { title, beside };
}

/** Where a part matches a text, in the first of the kinds of match that it does. */
function placeIn(text: string, part: string): Place | null {
  const written = placedWordsOf(text);
  const spellings = phrasesOf('title', text).filter(({ words }) => words.length === written.length);
  for (const [rank, find] of FINDERS.entries())
    for (const { words } of spellings) {
      const found = find(words, part);
      if (!found) continue;
      const marks = found.flatMap(([n, at]): Stretch[] => {
        const word = written[n];
        const origin = word && originsOf(word.text, words[n] ?? '')?.[at];
        return word && origin ? [{ from: word.from + origin.from, to: word.from + origin.to }] : [];
      });
      return { rank, marks };
    }
  return null;
}

/** A letter of a text: the number of its word, and its own in it. */
type Letter = readonly [word: number, at: number];
/** Finds the letters of a part in words. */
type Finder = (words: readonly string[], part: string) => Letter[] | null;

const range = (from: number, count: number) => Array.from({ length: count }, (_, n) => from + n);

const whole: Finder = (words, part) => startIn(words, (word) => word === part, part);
const start: Finder = (words, part) => startIn(words, (word) => word.startsWith(part), part);

function startIn(words: readonly string[], is: (word: string) => boolean, part: string): Letter[] | null {
  const word = words.findIndex(is);
  return word === -1 ? null : range(0, part.length).map((at) => [word, at]);
}

const initials: Finder = (words, part) => {
  const from =
    part.length < 2
      ? -1
      : words
          .map((word) => word.charAt(0))
          .join('')
          .indexOf(part);
  return from === -1 ? null : range(from, part.length).map((word) => [word, 0]);
};

const pieces: Finder = (words, part) => {
  for (const { ends } of WAYS)
    for (const from of words.keys()) {
      const pieces = piecesOf(words, from, part, ends);
      if (pieces)
        return pieces.flatMap((piece, n) =>
          inOrder(words[from + n] ?? '', piece).map((at): Letter => [from + n, at]),
        );
    }
  return null;
};

const fragment: Finder = (words, part) => {
  const word = words.findIndex((word) => word.includes(part));
  return word === -1 ? null : range(words[word]?.indexOf(part) ?? 0, part.length).map((at) => [word, at]);
};

/** From the start of a word on, else within one. */
const scattered: Finder = (words, part) => {
  for (const from of words.keys()) {
    const letters = words
      .slice(from)
      .flatMap((word, n) => range(0, word.length).map((at): Letter => [from + n, at]));
    const text = words.slice(from).join('');
    const found = text.startsWith(part.charAt(0)) ? inOrder(text, part) : [];
    if (found.length === part.length) return found.flatMap((at) => (letters[at] ? [letters[at]] : []));
  }
  const word = words.findIndex((word) => inOrder(word, part).length === part.length);
  return word === -1 ? null : inOrder(words[word] ?? '', part).map((at) => [word, at]);
};

/** In the order of the kinds of match. */
const FINDERS: readonly Finder[] = [whole, start, initials, pieces, fragment, scattered];

/** The places of letters in a text, in their order; fewer than the letters if they are not all there. */
function inOrder(text: string, letters: string): number[] {
  const places: number[] = [];
  for (const letter of letters) {
    const at = text.indexOf(letter, (places.at(-1) ?? -1) + 1);
    if (at === -1) break;
    places.push(at);
  }
  return places;
}

/** Stretches in their order, those that touch as one. */
function joined(stretches: readonly Stretch[]): Stretch[] {
  const sorted = [...stretches].sort((a, b) => a.from - b.from);
  const marks: Stretch[] = [];
  for (const { from, to } of sorted) {
    const last = marks.at(-1);
    if (last && from <= last.to) marks[marks.length - 1] = { from: last.from, to: Math.max(last.to, to) };
    else marks.push({ from, to });
  }
  return marks;
}
