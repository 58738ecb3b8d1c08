/** Walking the index: the highlight goes from place to place, by steps or by the letters of a name. */
import { fold, wordsOf } from '../search/letters';
import type { Places, Thing } from '../slices/places/state';

/** Where someone is who walks the index. */
export interface Walk {
  /** The index of the place; -1 while the index is empty. */
  readonly at: number;
  /** What stands there. The walk goes with it when it is carried, here or on another page. */
  readonly on: Thing | null;
  /** The letters typed one after the other that name what is looked for. */
  readonly letters: string;
}

/** The walk at a place. */
export const walkAt = (places: Places, at: number): Walk => ({ at, on: places[at] ?? null, letters: '' });

/** Where a walk begins: where the last one was, else at `home`, else at the first place that is taken. */
export function begunWalk(places: Places, last: number | null, home: number): Walk {
  const at = [last ?? -1, home].find((at) => (places[at] ?? null) !== null);
  return walkAt(places, at ?? places.findIndex((thing) => thing !== null));
}

/** The next place that is taken, down (1) or up (-1). A fresh press goes round at the ends, a repeat stops there. */
export function stepped({ at }: Walk, places: Places, by: 1 | -1, repeat: boolean): Walk {
  const taken = takenIn(places);
  const next = by === 1 ? taken.find((one) => one > at) : taken.findLast((one) => one < at);
  const around = repeat ? at : taken.at(by === 1 ? 0 : -1);
  return walkAt(places, next ?? around ?? -1);
}

/** The first or the last place that is taken. */
export const atEnd = (places: Places, end: 'first' | 'last'): Walk =>
  walkAt(places, takenIn(places).at(end === 'first' ? 0 : -1) ?? -1);

/**
 * The walk after another letter: to the next name that starts with all the letters so far, or else has a word that does,
 * this one included once there are several. The same letter alone again goes on to the next one with it. A letter that
 * nothing goes on with is not taken.
 *
 * @param names what stands at each place is called; null where nothing does
 */
export function sought(walk: Walk, letter: string, places: Places, names: readonly (string | null)[]): Walk {
  const again = fold(walk.letters) === fold(letter);
  const letters = again ? walk.letters : walk.letters + letter;
  const from = again || walk.letters === '' ? walk.at + 1 : walk.at;
  const order = names.map((_, n) => (from + n) % names.length);
  const starts = order.find((n) => startOf(names[n] ?? null, letters) === 'name');
  const at = starts ?? order.find((n) => startOf(names[n] ?? null, letters) === 'word');
  return at === undefined ? walk : { ...walkAt(places, at), letters };
}

/** Whether letters are the start of a name, or of one of its words. */
function startOf(name: string | null, letters: string): 'name' | 'word' | null {
  const words = wordsOf(name ?? '').map(fold);
  const at = words.findIndex((_, n) => words.slice(n).join(' ').startsWith(fold(letters)));
  return at === -1 ? null : at === 0 ? 'name' : 'word';
}

const takenIn = (places: Places): number[] => places.flatMap((thing, at) => (thing === null ? [] : [at]));
