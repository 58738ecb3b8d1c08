/**
 * Habits that cost most: where someone goes again and again by more keys than it takes. A history knows how far away each
 * window stood; what is bound is as it is now.
 */
import type { WindowId } from '../model/ids';
import type { Keys } from './keys-now';
import { NONE, wayIndex, type History } from './history';
import { keysSeconds, type Operators } from './operators';
import { BY_KEYS, WAYS, type Way } from './way';

/** How far away a window stood: as in `Switch`. */
export interface Standing {
  readonly row: number;
  readonly rows: number;
  readonly leaf: number;
  readonly leaves: number;
}

/** A window that someone goes to by more keys than it takes. */
export interface Habit {
  readonly window: WindowId;
  /** How it was reached oftenest. */
  readonly way: Way;
  /** By what it would have been reached soonest, oftenest. */
  readonly better: Way;
  /** Times a week. */
  readonly perWeek: number;
  /** What the better way would save, in s a week by the model. */
  readonly saves: number;
  /** What a shortcut of its own would save, in s a week. */
  readonly boundSaves: number;
}

const WEEK_MS = 7 * 24 * 3_600_000;
/** Fewer times than these are no habit. */
export const FEWEST_TIMES = 3;
const KEY_INDICES = new Set<number>(BY_KEYS.map(wayIndex));

/** By presses of keys that are held, in s: the first is blind, a further one comes after a look. */
export const pressesSeconds = (presses: number, operators: Operators): number =>
  keysSeconds(operators, 1 + presses, presses > 1 ? 1 : 0);

/** Steps that go round at the end. */
export const around = (at: number, count: number): number => Math.min(at, count - at);

/**
 * The fewest presses to a window that stood somewhere, and the way that has them; the same as `cheapestWay` finds, of what
 * does not look at titles.
 * @example fewestPresses({ row: 4, rows: 10, leaf: 0, leaves: 1 }, true, false) // { way: 'place', presses: 1 }
 */
export function fewestPresses(
  { row, rows, leaf, leaves }: Standing,
  placed: boolean,
  bound: boolean,
): { readonly way: Way; readonly presses: number } {
  const leafSteps = around(leaf, leaves);
  const stepping = {
    way: leafSteps > 0 ? 'window-step' : 'step',
    presses: around(row, rows) + leafSteps,
  } as const;
  const best = placed && row > 0 ? { way: 'place' as const, presses: 1 + leafSteps } : stepping;
  const sooner = best.presses < stepping.presses ? best : stepping;
  return bound && sooner.presses > 1 ? { way: 'shortcut', presses: 1 } : sooner;
}

interface Sum {
  count: number;
  saves: number;
  boundSaves: number;
  readonly ways: Map<Way, number>;
  readonly better: Map<Way, number>;
}

/** The habits of a history that would save most a week, of what its page still knows, the dearest first. */
export function habitsIn(history: History, keys: Keys, operators: Operators, most: number): Habit[] {
  const { at, ends, length, presses, row, rows, leaf, leaves, to, way } = history;
  const [placed, shortcuts] = [new Set(keys.places), new Set(keys.shortcuts)];
  const sums = new Map<number, Sum>();
  const own = pressesSeconds(1, operators);
  for (let i = 0; i < length; i += 1) {
    const end = ends[to[i] ?? NONE];
    const done = presses[i] ?? NONE;
    if (!end || done < 1 || row[i] === NONE || leaf[i] === NONE || !KEY_INDICES.has(way[i] ?? NONE)) continue;
    const standing = { row: row[i] ?? 0, rows: rows[i] ?? 1, leaf: leaf[i] ?? 0, leaves: leaves[i] ?? 1 };
    const fewest = fewestPresses(standing, placed.has(end.application), shortcuts.has(end.window));
    const cost = pressesSeconds(done, operators);
    const known = sums.get(to[i] ?? NONE);
    const sum = known ?? { count: 0, saves: 0, boundSaves: 0, ways: new Map(), better: new Map() };
    if (!known) sums.set(to[i] ?? NONE, sum);
    sum.count += 1;
    sum.saves += Math.max(0, cost - pressesSeconds(fewest.presses, operators));
    sum.boundSaves += Math.max(0, cost - own);
    add(sum.ways, WAYS[way[i] ?? 0] ?? 'key');
    add(sum.better, fewest.way);
  }
  const weeks = Math.max(1, ((at[length - 1] ?? 0) - (at[0] ?? 0)) / WEEK_MS);
  return [...sums]
    .filter(([, { count, boundSaves }]) => count >= FEWEST_TIMES && boundSaves > 0)
    .map(([end, sum]) => ({
      window: ends[end]?.window ?? '',
      way: oftenest(sum.ways),
      better: oftenest(sum.better),
      perWeek: sum.count / weeks,
      saves: sum.saves / weeks,
      boundSaves: sum.boundSaves / weeks,
    }))
    .sort((a, b) => b.boundSaves - a.boundSaves)
    .slice(0, most);
}

const add = (counts: Map<Way, number>, way: Way): void => void counts.set(way, (counts.get(way) ?? 0) + 1);

const oftenest = (counts: Map<Way, number>): Way =>
  [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? 'key';
