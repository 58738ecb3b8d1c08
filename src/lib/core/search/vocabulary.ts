/** The words of everything that can be found, sorted, with the places where they stand. */
import { likelihoodOf, occurs, type Phrase, type Text } from './text';

/** Where a word stands. */
export interface Place {
  /** The entry. */
  readonly row: number;
  readonly inTitle: boolean;
  /** How likely someone who means the phrase it stands in types this word: in (0, 1]. */
  readonly likelihood: number;
}

/** A word and all its places, in no order. */
export interface Known {
  readonly word: string;
  readonly places: readonly Place[];
}

/** A place that knows where it is kept, so that it can be taken out without a search among all others. */
interface KeptPlace extends Place {
  readonly known: KeptWord;
  index: number;
}
interface KeptWord extends Known {
  readonly places: KeptPlace[];
}

/** A range of sorted words. */
export interface Range {
  readonly words: readonly Known[];
  readonly from: number;
  readonly to: number;
}

interface Group {
  readonly known: Map<string, KeptWord>;
  /** Sorted when they are first asked for. */
  sorted: readonly Known[] | null;
}

const NONE: Range = { words: [], from: 0, to: 0 };

/** The different words of many texts. */
export class Vocabulary {
  readonly #byInitial = new Map<string, Group>();
  readonly #byRow = new Map<number, readonly KeptPlace[]>();

  /** Takes in the words of the text of an entry that has none here yet. */
  add(row: number, text: Text): void {
    const places = placesIn(text).map(({ letters, phrase, word }) => {
      const known = this.#wordOf(letters);
      const place: KeptPlace = {
        row,
        inTitle: phrase.field === 'title',
        likelihood: likelihoodOf(phrase, word),
        known,
        index: known.places.length,
      };
      known.places.push(place);
      return place;
    });
    this.#byRow.set(row, places);
  }

  /** Takes out the words of an entry's text. */
  remove(row: number): void {
    for (const { known, index } of this.#byRow.get(row) ?? []) {
      const last = known.places.pop();
      if (last && index < known.places.length) {
        known.places[index] = last;
        last.index = index;
      }
      if (known.places.length === 0) this.#forget(known.word);
    }
    this.#byRow.delete(row);
  }

  /** The letters that words start with. */
  get initials(): Iterable<string> {
    return this.#byInitial.keys();
  }

  /** The rows of words within which letters occur in their order. */
  rowsWithin(letters: string): Set<number> {
    const rows = new Set<number>();
    for (const { known } of this.#byInitial.values())
      for (const { word, places } of known.values())
        if (occurs(word, letters)) for (const { row } of places) rows.add(row);
    return rows;
  }

  /** All words that start with a letter. */
  withInitial(letter: string): Range {
    const group = this.#byInitial.get(letter);
    if (!group) return NONE;
    group.sorted ??= [...group.known.values()].sort((a, b) => (a.word < b.word ? -1 : 1));
    return { words: group.sorted, from: 0, to: group.sorted.length };
  }

  /** The words that start with these letters. */
  startingWith(letters: string): Range {
    let range = this.withInitial(letters.charAt(0));
    for (let depth = 1; depth < letters.length && range.from < range.to; depth += 1)
      range = narrowed(range, depth, letters.charCodeAt(depth));
    return range;
  }

  #wordOf(word: string): KeptWord {
    const initial = word.charAt(0);
    let group = this.#byInitial.get(initial);
    if (!group) this.#byInitial.set(initial, (group = { known: new Map(), sorted: null }));
    let known = group.known.get(word);
    if (!known) {
      known = { word, places: [] };
      group.known.set(word, known);
      group.sorted = null;
    }
    return known;
  }

  #forget(word: string): void {
    const group = this.#byInitial.get(word.charAt(0));
    if (group?.known.delete(word)) group.sorted = null;
  }
}

/** The words of a text with their places; what is spelled as before stands there once. */
function placesIn({ phrases }: Text): { letters: string; phrase: Phrase; word: number }[] {
  const places: { letters: string; phrase: Phrase; word: number }[] = [];
  for (const phrase of phrases)
    phrase.words.forEach((letters, word) => {
      if (phrase.otherSpellingOf?.words[word] !== letters) places.push({ letters, phrase, word });
    });
  return places;
}

/** Those of a range, alike in the letters before `depth`, that have this code unit there. */
export function narrowed({ words, from, to }: Range, depth: number, code: number): Range {
  const start = firstWith(words, depth, from, to, code);
  return { words, from: start, to: firstWith(words, depth, start, to, code + 1) };
}

/** The first of a range whose code unit at `depth` is not below `code`; a word that ends before has 0 there. */
export function firstWith(
  words: readonly Known[],
  depth: number,
  from: number,
  to: number,
  code: number,
): number {
  while (from < to) {
    const middle = (from + to) >> 1;
    if (((words[middle] as Known).word.charCodeAt(depth) || 0) >= code) to = middle;
    else from = middle + 1;
  }
  return from;
}
