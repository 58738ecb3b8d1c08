/**
 * A history of switches by columns, in the order in which they happened: a million of them are a few typed arrays, which
 * are read from start to end and cost no object each.
 */
import type { End, Switch } from './recording';
import { WAYS, type Way } from './way';

/** What is not known, or not there, in a column of whole numbers. */
export const NONE = -1;

/** The columns. Index i of each is the same switch; `from` and `to` are indices of `ends`. */
export interface History {
  readonly length: number;
  /** Instants, in ms since 1970. */
  readonly at: Float64Array;
  /** Indices of {@link WAYS}. */
  readonly way: Uint8Array;
  /** In ms. */
  readonly took: Int32Array;
  readonly presses: Int32Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly row: Int32Array;
  readonly rows: Int32Array;
  readonly leaf: Int32Array;
  readonly leaves: Int32Array;
  /** 1 where it goes on from the one before. */
  readonly goesOn: Uint8Array;
  /** The windows that were in front, each once, with the application of each. */
  readonly ends: readonly End[];
}

/** The index of a way in a history. */
export const wayIndex = (way: Way): number => WAYS.indexOf(way);

/** A history of switches that are objects. */
export function historyOf(switches: readonly Switch[]): History {
  const ends: End[] = [];
  const indices = new Map<string, number>();
  const indexOf = (end: End | null): number => {
    if (end === null) return NONE;
    const name = JSON.stringify([end.window, end.application]);
    const known = indices.get(name);
    if (known !== undefined) return known;
    indices.set(name, ends.length);
    return ends.push(end) - 1;
  };
  const whole = (value: (it: Switch) => number | null): Int32Array =>
    Int32Array.from(switches, (it) => value(it) ?? NONE);
  return {
    length: switches.length,
    at: Float64Array.from(switches, ({ at }) => Date.parse(at)),
    way: Uint8Array.from(switches, ({ way }) => wayIndex(way)),
    took: whole(({ took }) => took),
    presses: whole(({ presses }) => presses),
    from: whole(({ from }) => indexOf(from)),
    to: whole(({ to }) => indexOf(to)),
    row: whole(({ row }) => row),
    rows: whole(({ rows }) => rows),
    leaf: whole(({ leaf }) => leaf),
    leaves: whole(({ leaves }) => leaves),
    goesOn: Uint8Array.from(switches, ({ goesOn }) => Number(goesOn)),
    ends,
  };
}

/**
 * The same with each run of presses as the one switch that someone meant: from where it began to where it ended, with the
 * keys and the time of all of it.
 */
export function withoutPasses(history: History): History {
  const kept: number[] = [];
  for (let i = 0; i < history.length; i += 1) if (history.goesOn[i] === 0 || kept.length === 0) kept.push(i);
  const merged = selected(history, kept);
  for (let n = 0; n < kept.length; n += 1) {
    const first = kept[n] ?? 0;
    const last = (kept[n + 1] ?? history.length) - 1;
    for (let i = first + 1; i <= last; i += 1) {
      merged.took[n] = sum(merged.took[n], history.took[i]);
      merged.presses[n] = sum(merged.presses[n], history.presses[i]);
    }
    merged.at[n] = history.at[last] ?? 0;
    merged.to[n] = history.to[last] ?? NONE;
    // Where it stood in the order is known of the first alone: the ones after that are in the row of the same place.
    if (last > first) merged.leaf[n] = history.leaf[last] ?? NONE;
  }
  return merged;
}

const sum = (a = NONE, b = NONE): number => (a === NONE || b === NONE ? NONE : a + b);

/** Some of a history, by index. */
export function selected(history: History, indices: ArrayLike<number>): History {
  const pick = <A extends Int32Array | Uint8Array | Float64Array>(from: A, into: A): A => {
    for (let n = 0; n < indices.length; n += 1) into[n] = from[indices[n] ?? 0] ?? 0;
    return into;
  };
  const whole = (from: Int32Array) => pick(from, new Int32Array(indices.length));
  return {
    length: indices.length,
    at: pick(history.at, new Float64Array(indices.length)),
    way: pick(history.way, new Uint8Array(indices.length)),
    took: whole(history.took),
    presses: whole(history.presses),
    from: whole(history.from),
    to: whole(history.to),
    row: whole(history.row),
    rows: whole(history.rows),
    leaf: whole(history.leaf),
    leaves: whole(history.leaves),
    goesOn: pick(history.goesOn, new Uint8Array(indices.length)),
    ends: history.ends,
  };
}

/** The part of a history between two instants, in ms; `until` itself is not in it. */
export function within(history: History, since: number, until: number): History {
  const indices: number[] = [];
  for (let i = 0; i < history.length; i += 1) {
    const at = history.at[i] ?? 0;
    if (at >= since && at < until) indices.push(i);
  }
  return indices.length === history.length ? history : selected(history, indices);
}

/** No switch yet. */
export const EMPTY_HISTORY: History = historyOf([]);
