/**
 * The tally: what a history of switches says, in figures. Everything here goes through the history once or sorts part of
 * it, so a million switches are no trouble; a page asks a worker for it.
 */
import type { ApplicationId, WindowId } from '../model/ids';
import { NONE, withoutPasses, wayIndex, within, type History } from './history';
import { MODEL_ERROR, pointerSeconds, type Operators } from './operators';
import { adviceOf, type Advice } from './advice';
import { habitsIn, type Habit } from './habits';
import type { Keys } from './keys-now';
import { positionsBehindHead } from './recent-order';
import { powerLaw, type PowerLaw } from './practice';
import type { End } from './recording';
import { BY_KEYS, SWITCHING, type Way } from './way';

/** A switch that was left again after less than this, in ms, was a miss. */
export const MISS_MS = 2_000;
/** Who takes longer than this, in ms, did something else meanwhile: no time of a switch. */
export const INTERRUPTED_MS = 30_000;
/** After this long without a switch, in ms, it is not known any more whether anybody is there. */
export const AWAY_MS = 3_600_000;
/** The band of a day shows what was in front longest of each piece this long, in ms. */
export const PIECE_MS = 300_000;
/** Applications in the table of from where to where; the others are one more. */
export const MOST_NAMED = 7;
/** Steps that are told apart. */
export const MOST_STEPS = 8;
/** Habits that are told of. */
export const MOST_HABITS = 5;
/** Applications that the prediction is made for: those beyond are used too rarely to matter. */
const MOST_PREDICTED = 40;
const WEEK_MS = 7 * 24 * 3_600_000;

/** How often, and for how long. */
export interface WayCount {
  readonly way: Way;
  readonly count: number;
  /** All of their time, as far as it is known, in s. */
  readonly seconds: number;
  /** The time in the middle, in s; null where none is known. */
  readonly median: number | null;
  readonly misses: number;
}

/** One application that was in front from one instant to another, in ms. */
export interface Stay {
  readonly application: ApplicationId;
  readonly from: number;
  readonly to: number;
}

/** A day from midnight to midnight where the person is, in ms. */
export interface Day {
  readonly start: number;
  readonly end: number;
}

/** Two windows between which someone goes back and forth. */
export interface Pair {
  readonly windows: readonly [WindowId, WindowId];
  readonly count: number;
}

/** A week of practice. */
export interface WeekOfPractice {
  /** In ms. */
  readonly start: number;
  /** The number of its middle switch, counted from the first. */
  readonly n: number;
  readonly count: number;
  /** In s. */
  readonly median: number;
}

/** All of it. */
export interface Tally {
  readonly switches: number;
  readonly ways: readonly WayCount[];
  /** Switches by keys of which it is known how long they took. */
  readonly timed: number;
  /** What these took, and what the pointer would have taken for the same ones, in s. */
  readonly keySeconds: number;
  readonly pointerSeconds: number;
  /** How far the latter may be off, in s. */
  readonly error: number;
  readonly bands: readonly { readonly day: Day; readonly stays: readonly Stay[] }[];
  readonly fromTo: {
    readonly applications: readonly (ApplicationId | null)[];
    /** counts[from][to] */
    readonly counts: readonly (readonly number[])[];
    readonly pairs: readonly Pair[];
  };
  /** Switches to another application by how many steps away it stood, from one on; the last one counts all beyond, too. */
  readonly steps: { readonly counts: readonly number[]; readonly predicted: readonly number[] };
  readonly habits: readonly Habit[];
  /** Over all of the history. */
  readonly advice: Advice;
  readonly weeks: readonly WeekOfPractice[];
  readonly law: PowerLaw | null;
}

/** What is asked of a history. */
export interface TallyQuestion {
  /** In ms; `until` is not in it. */
  readonly since: number;
  readonly until: number;
  /** The days of which there is to be a band. */
  readonly days: readonly Day[];
  readonly operators: Operators;
  readonly keys: Keys;
}

const SWITCHING_INDICES = new Set<number>(SWITCHING.map(wayIndex));
const KEY_INDICES = new Set<number>(BY_KEYS.map(wayIndex));

/** The tally of a history. Practice is looked at over all of it, everything else within what is asked for. */
export function tallyOf(history: History, { since, until, days, operators, keys }: TallyQuestion): Tally {
  const all = withoutPasses(history);
  const asked = within(all, since, until);
  const missed = missesIn(asked);
  const ways = SWITCHING.map((way) => wayCount(asked, way, missed)).filter(({ count }) => count > 0);
  const byKeys = ways.filter(({ way }) => way !== 'pointer');
  const keySeconds = byKeys.reduce((sum, { seconds }) => sum + seconds, 0);
  const timed = timedByKeys(asked);
  const byPointer = timed * pointerSeconds(operators);
  return {
    switches: ways.reduce((sum, { count }) => sum + count, 0),
    ways,
    timed,
    keySeconds,
    pointerSeconds: byPointer,
    error: byPointer * MODEL_ERROR,
    bands: days.map((day) => ({ day, stays: staysOn(all, day, until) })),
    fromTo: fromTo(asked),
    steps: stepsIn(asked),
    habits: habitsIn(asked, keys, operators, MOST_HABITS),
    advice: adviceOf(all, keys, operators),
    ...practiceIn(all),
  };
}

/** Whether each switch was left again at once by someone who wanted to be elsewhere. */
export function missesIn({ length, at, way }: History): Uint8Array {
  const missed = new Uint8Array(length);
  for (let i = 0; i + 1 < length; i += 1) {
    const left = SWITCHING_INDICES.has(way[i + 1] ?? NONE) && SWITCHING_INDICES.has(way[i] ?? NONE);
    if (left && (at[i + 1] ?? 0) - (at[i] ?? 0) < MISS_MS) missed[i] = 1;
  }
  return missed;
}

/** Whether the time of a switch says how long it took. */
const isTimed = ({ took }: History, i: number): boolean => {
  const ms = took[i] ?? NONE;
  return ms > 0 && ms <= INTERRUPTED_MS;
};

function wayCount(history: History, way: Way, missed: Uint8Array): WayCount {
  const index = wayIndex(way);
  const times: number[] = [];
  let count = 0;
  let misses = 0;
  let ms = 0;
  for (let i = 0; i < history.length; i += 1) {
    if (history.way[i] !== index) continue;
    count += 1;
    misses += missed[i] ?? 0;
    if (!isTimed(history, i)) continue;
    times.push(history.took[i] ?? 0);
    ms += history.took[i] ?? 0;
  }
  return { way, count, seconds: ms / 1000, median: medianSeconds(times), misses };
}

function timedByKeys(history: History): number {
  let count = 0;
  for (let i = 0; i < history.length; i += 1)
    if (KEY_INDICES.has(history.way[i] ?? NONE) && isTimed(history, i)) count += 1;
  return count;
}

/** The middle of some times in ms, in s. */
function medianSeconds(times: readonly number[]): number | null {
  if (times.length === 0) return null;
  const sorted = Int32Array.from(times).sort();
  const middle = sorted.length >> 1;
  const upper = sorted[middle] ?? 0;
  const median = sorted.length % 2 === 1 ? upper : ((sorted[middle - 1] ?? 0) + upper) / 2;
  return median / 1000;
}

const applicationAt = ({ ends }: History, index: number): ApplicationId | null =>
  ends[index]?.application ?? null;

/** What was in front on a day, in pieces; nothing where nobody knows. */
function staysOn(history: History, { start, end }: Day, until: number): Stay[] {
  const last = Math.min(end, until);
  const pieces = Math.max(0, Math.ceil((last - start) / PIECE_MS));
  const longest = Array.from({ length: pieces }, () => new Map<ApplicationId, number>());
  for (let i = firstAfter(history.at, start - AWAY_MS); i < history.length; i += 1) {
    const from = history.at[i] ?? 0;
    if (from >= last) break;
    const application = applicationAt(history, history.to[i] ?? NONE);
    if (application === null) continue;
    const to = Math.min(history.at[i + 1] ?? Infinity, from + AWAY_MS, last);
    addPieces(longest, application, Math.max(from, start) - start, to - start);
  }
  const stays: Stay[] = [];
  longest.forEach((times, piece) => {
    const [most] = [...times].sort(([, a], [, b]) => b - a);
    if (!most) return;
    const from = start + piece * PIECE_MS;
    const to = Math.min(from + PIECE_MS, last);
    const before = stays.at(-1);
    if (before?.application === most[0] && before.to === from) stays[stays.length - 1] = { ...before, to };
    else stays.push({ application: most[0], from, to });
  });
  return stays;
}

function addPieces(
  pieces: readonly Map<ApplicationId, number>[],
  application: ApplicationId,
  from: number,
  to: number,
): void {
  for (let piece = Math.floor(from / PIECE_MS); piece * PIECE_MS < to; piece += 1) {
    const times = pieces[piece];
    if (!times) return;
    const time = Math.min(to, (piece + 1) * PIECE_MS) - Math.max(from, piece * PIECE_MS);
    times.set(application, (times.get(application) ?? 0) + time);
  }
}

/** The first index whose instant is not before `since`, if instants only go on. */
function firstAfter(at: Float64Array, since: number): number {
  let low = 0;
  let high = at.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((at[middle] ?? 0) < since) low = middle + 1;
    else high = middle;
  }
  return low;
}

const MOST_PAIRS = 5;

function fromTo(history: History): Tally['fromTo'] {
  const { ends, from, to, way, length } = history;
  const count = ends.length;
  const goings = new Map<number, number>();
  for (let i = 0; i < length; i += 1) {
    const a = from[i] ?? NONE;
    const b = to[i] ?? NONE;
    if (a === NONE || b === NONE || !SWITCHING_INDICES.has(way[i] ?? NONE)) continue;
    const key = a * count + b;
    goings.set(key, (goings.get(key) ?? 0) + 1);
  }
  const uses = new Map<ApplicationId, number>();
  const pairs = new Map<string, Pair>();
  for (const [key, times] of goings) {
    const a = ends[Math.floor(key / count)];
    const b = ends[key % count];
    if (!a || !b) continue;
    for (const { application } of [a, b]) uses.set(application, (uses.get(application) ?? 0) + times);
    addPair(pairs, a, b, times);
  }
  const named = [...uses].sort(([, a], [, b]) => b - a).map(([application]) => application);
  const shown = named.slice(0, MOST_NAMED);
  const applications = named.length > shown.length ? [...shown, null] : shown;
  const indexOf = (application: ApplicationId) => {
    const index = shown.indexOf(application);
    return index === -1 ? shown.length : index;
  };
  const counts = applications.map(() => applications.map(() => 0));
  for (const [key, times] of goings) {
    const row = counts[indexOf(ends[Math.floor(key / count)]?.application ?? '')];
    const column = indexOf(ends[key % count]?.application ?? '');
    if (row) row[column] = (row[column] ?? 0) + times;
  }
  const oftenest = [...pairs.values()].sort((a, b) => b.count - a.count).slice(0, MOST_PAIRS);
  return { applications, counts, pairs: oftenest };
}

function addPair(pairs: Map<string, Pair>, a: End, b: End, times: number): void {
  const windows = [a.window, b.window].sort() as [WindowId, WindowId];
  const name = JSON.stringify(windows);
  pairs.set(name, { windows, count: (pairs.get(name)?.count ?? 0) + times });
}

/** Switches to another application, by how far it was away, beside what an order of recent use predicts. */
function stepsIn({ ends, to, row, way, length }: History): Tally['steps'] {
  const counts = new Array<number>(MOST_STEPS).fill(0);
  const uses = new Map<ApplicationId, number>();
  let all = 0;
  for (let i = 0; i < length; i += 1) {
    const steps = row[i] ?? NONE;
    const end = ends[to[i] ?? NONE];
    if (steps < 1 || !end || !SWITCHING_INDICES.has(way[i] ?? NONE)) continue;
    const bucket = Math.min(steps, MOST_STEPS) - 1;
    counts[bucket] = (counts[bucket] ?? 0) + 1;
    uses.set(end.application, (uses.get(end.application) ?? 0) + 1);
    all += 1;
  }
  const often = [...uses.values()].sort((a, b) => b - a).slice(0, MOST_PREDICTED);
  const total = often.reduce((sum, times) => sum + times, 0);
  const shares = positionsBehindHead(often.map((times) => times / total));
  const predicted = new Array<number>(MOST_STEPS).fill(0);
  shares.forEach((share, steps) => {
    const bucket = Math.min(steps, MOST_STEPS - 1);
    predicted[bucket] = (predicted[bucket] ?? 0) + share * all;
  });
  return { counts, predicted };
}

/** Time per switch by keys, week by week and as a law, over all of a history. */
function practiceIn(history: History): Pick<Tally, 'weeks' | 'law'> {
  const ns: number[] = [];
  const times: number[] = [];
  const weeks: { start: number; ns: number[]; times: number[] }[] = [];
  const begin = history.at[0] ?? 0;
  for (let i = 0; i < history.length; i += 1) {
    if (!KEY_INDICES.has(history.way[i] ?? NONE) || !isTimed(history, i)) continue;
    const n = ns.push(ns.length + 1);
    const ms = history.took[i] ?? 0;
    times.push(ms / 1000);
    const start = begin + Math.floor(((history.at[i] ?? 0) - begin) / WEEK_MS) * WEEK_MS;
    const week = weeks.at(-1);
    if (week?.start === start) {
      week.ns.push(n);
      week.times.push(ms);
    } else weeks.push({ start, ns: [n], times: [ms] });
  }
  return {
    weeks: weeks.map((week) => ({
      start: week.start,
      n: week.ns[week.ns.length >> 1] ?? 1,
      count: week.ns.length,
      median: medianSeconds(week.times) ?? 0,
    })),
    law: powerLaw(ns, times),
  };
}
