/** How many letters it takes until what is meant stands first. */
import { Random } from '../random';
import { itemsOf, type Item } from './entries';
import { plain } from './queries';

/** Items of which some were used, with where each stands in the order of recent use of its kind. */
export interface UsedItems {
  readonly items: readonly Item[];
  readonly positions: ReadonlyMap<string, number>;
  /** What is meant, again and again: windows, the more recently used the more often. */
  readonly meant: readonly Item[];
}

/** The weights of Zipf's law for `count` positions: the n-th 1/n. */
const zipf = (count: number) => Array.from({ length: count }, (_, n) => [n, 1 / (n + 1)] as const);

const RUNNING_APPLICATIONS = 12;

/** `count` choices among `size` items, all windows of which and some applications were used. */
export function usedItems(size: number, seed: number, count: number): UsedItems {
  const items = itemsOf(size, seed);
  const random = new Random(seed + size);
  const ofKind = (kind: Item['kind']) => random.shuffled(items.filter((item) => item.kind === kind));
  const windows = ofKind('window');
  const applications = ofKind('application').slice(0, RUNNING_APPLICATIONS);
  const positions = new Map([...windows.entries(), ...applications.entries()].map(([n, { id }]) => [id, n]));
  const weights = zipf(windows.length);
  const meant = Array.from({ length: count }, () => windows[random.weighted(weights)] as Item);
  return { items, positions, meant };
}

/** The letters of a title typed from its start until `find` puts it first; one more than all if it never does. */
export function lettersUntilFirst(find: (letters: string) => readonly string[], { id, title }: Item): number {
  const typed = plain(title);
  for (let n = 1; n <= typed.length; n += 1)
    if (typed[n - 1] !== ' ' && find(typed.slice(0, n))[0] === id) return n;
  return typed.length + 1;
}

/**
 * A search that knows that windows are meant and that titles are typed from their start, and goes by recent use alone: no
 * other needs fewer letters but by luck.
 */
export function floorOf(
  items: readonly Item[],
  positions: ReadonlyMap<string, number>,
): (letters: string) => readonly string[] {
  const windows = items
    .filter(({ kind }) => kind === 'window')
    .map(({ id, title }) => ({ id, typed: plain(title), position: positions.get(id) ?? Infinity }))
    .sort((a, b) => a.position - b.position);
  return (letters) => windows.filter(({ typed }) => typed.startsWith(letters)).map(({ id }) => id);
}
