/**
 * Advice on which key should mean what, reckoned over someone's own history by the model: applications at digits, shortcuts
 * to windows, and what the same switches would have cost by other orders. Nothing here changes anything.
 */
import type { ApplicationId, WindowId } from '../model/ids';
import { putAt } from '../slices/places/selectors';
import { DIGITS, type Digit, type Places } from '../slices/places/state';
import type { Block } from '../slices/settings/state';
import type { Keys } from './keys-now';
import { bestAssignment } from './assignment';
import { NONE, wayIndex, type History } from './history';
import { around, pressesSeconds } from './habits';
import type { Operators } from './operators';
import { extraReach } from './reach';
import { relearningSeconds } from './relearning';
import { SWITCHING } from './way';

/** Advice has to pay within so many weeks. */
export const HORIZON_WEEKS = 12;
/** Pieces of advice, at most: more cannot be learned at once. */
export const MOST_PLACES = 5;
const MOST_SHORTCUTS = 3;
/** Applications that are looked at: those used less are no matter for a key. */
const MOST_LOOKED_AT = 40;
const WEEK_MS = 7 * 24 * 3_600_000;

/** How the same switches would have been reached. */
const POLICIES = ['recency', 'frequency', 'places', 'mixed', 'now'] as const;
/** One of these. */
export type Policy = (typeof POLICIES)[number];

/** What a switch to another application costs by some order, in the mean. */
export interface PolicyCost {
  readonly policy: Policy;
  /** Keys after the hold key. */
  readonly presses: number;
  /** By the model, the hold key counted. */
  readonly seconds: number;
}

/** What a change is worth. */
interface Worth {
  /** In s a week, by the model, once it is learned. */
  readonly saves: number;
  /** What learning it costs, in s, once. */
  readonly relearning: number;
}

/** An application that should stand at another digit. */
export interface PlaceAdvice extends Worth {
  readonly application: ApplicationId;
  readonly digit: Digit;
  /** Where it stands now; null if nowhere. */
  readonly from: Digit | null;
}

/** A window that should have a shortcut. */
export interface ShortcutAdvice extends Worth {
  readonly window: WindowId;
}

/** All of it. */
export interface Advice {
  /** Switches to another application that it was reckoned over. */
  readonly switches: number;
  readonly policies: readonly PolicyCost[];
  /** Each by itself, beginning with what is worth most. */
  readonly places: readonly PlaceAdvice[];
  readonly shortcuts: readonly ShortcutAdvice[];
}

/** So many switches to one application, or window, that was so many steps away, and on from there so many of its windows. */
interface Distance {
  readonly steps: number;
  readonly leaves: number;
  readonly count: number;
}
type Distances = readonly Distance[];

const SWITCHING_INDICES = new Set<number>(SWITCHING.map(wayIndex));

/** The advice that a history gives. */
export function adviceOf(history: History, keys: Keys, operators: Operators): Advice {
  const read = distancesIn(history);
  const weeks = Math.max(1, ((history.at[history.length - 1] ?? 0) - (history.at[0] ?? 0)) / WEEK_MS);
  const saving = savings(read.applications, keys.block, operators);
  const best = bestPlaces(read.applications, saving);
  return {
    switches: read.count,
    policies: read.count === 0 ? [] : policiesOver(history, read, { keys, best, operators }),
    places: placeAdvice(read.applications, keys, { saving, weeks, operators }),
    shortcuts: shortcutAdvice(read, keys, weeks, operators),
  };
}

interface Read {
  readonly count: number;
  readonly applications: ReadonlyMap<ApplicationId, Distances>;
  readonly windows: ReadonlyMap<
    WindowId,
    { readonly application: ApplicationId; readonly distances: Distances }
  >;
}

/** Steps, and windows on from there, that are told apart: nobody goes farther by keys. */
const FARTHEST = 64;

const isCounted = ({ to, row, leaf, way }: History, i: number): boolean =>
  to[i] !== NONE && (row[i] ?? NONE) > 0 && leaf[i] !== NONE && SWITCHING_INDICES.has(way[i] ?? NONE);

/** Counts switches to other applications of which it is known how far away they were: a number a switch, no object. */
function distancesIn(history: History): Read {
  const { length, row, rows, leaf, leaves, to, ends } = history;
  const distances = new Map<number, number>();
  let count = 0;
  for (let i = 0; i < length; i += 1) {
    const end = to[i] ?? NONE;
    if (!isCounted(history, i)) continue;
    const steps = Math.min(around(row[i] ?? 0, rows[i] ?? 1), FARTHEST - 1);
    const on = Math.min(around(leaf[i] ?? 0, leaves[i] ?? 1), FARTHEST - 1);
    const key = (end * FARTHEST + steps) * FARTHEST + on;
    distances.set(key, (distances.get(key) ?? 0) + 1);
    count += 1;
  }
  const ofWindows = new Map<WindowId, { application: ApplicationId; distances: Distance[] }>();
  const ofApplications = new Map<ApplicationId, Distance[]>();
  for (const [key, times] of distances) {
    const end = ends[Math.floor(key / FARTHEST ** 2)];
    if (!end) continue;
    const steps = Math.floor(key / FARTHEST) % FARTHEST;
    const distance: Distance = { steps, leaves: key % FARTHEST, count: times };
    const ofWindow = ofWindows.get(end.window) ?? { application: end.application, distances: [] };
    ofWindow.distances.push(distance);
    ofWindows.set(end.window, ofWindow);
    const ofApplication = ofApplications.get(end.application) ?? [];
    ofApplication.push(distance);
    ofApplications.set(end.application, ofApplication);
  }
  return {
    count,
    applications: ofApplications,
    windows: ofWindows,
  };
}

const usesOf = (distances: Distances): number => distances.reduce((sum, { count }) => sum + count, 0);

/** What each application would save at each digit over a whole history, in s. */
type Savings = (application: ApplicationId, digit: Digit) => number;

function savings(applications: Read['applications'], block: Block, operators: Operators): Savings {
  const known = new Map<string, number>();
  for (const [application, distances] of applications)
    for (const digit of DIGITS) {
      let sum = 0;
      for (const { steps, leaves, count } of distances) {
        const atPlace = pressesSeconds(1 + leaves, operators) + extraReach(digit, block);
        sum += count * Math.max(0, pressesSeconds(steps + leaves, operators) - atPlace);
      }
      known.set(`${application} ${digit}`, sum);
    }
  return (application, digit) => known.get(`${application} ${digit}`) ?? 0;
}

/** The ten places at which a history would have cost least, if nothing had to be learned. */
function bestPlaces(applications: Read['applications'], saving: Savings): Places {
  const used = [...applications.keys()];
  const worth = used.map((application) => DIGITS.map((digit) => saving(application, digit)));
  const digits = bestAssignment(worth);
  return DIGITS.map((_, at) => used[digits.indexOf(at)] ?? null);
}

const savedBy = (places: Places, saving: Savings): number =>
  DIGITS.reduce((sum, digit, at) => {
    const thing = places[at];
    return typeof thing === 'string' ? sum + saving(thing, digit) : sum;
  }, 0);

interface Reckoning {
  readonly saving: Savings;
  readonly weeks: number;
  readonly operators: Operators;
}

/**
 * Single changes, each with all that it would change: what stood there goes elsewhere, and has to be learned there, too. No two
 * are about one digit.
 */
function placeAdvice(
  applications: Read['applications'],
  { places }: Keys,
  { saving, weeks, operators }: Reckoning,
): PlaceAdvice[] {
  const now = savedBy(places, saving);
  const uses = new Map([...applications].map(([application, distances]) => [application, usesOf(distances)]));
  const relearning = (after: Places): number =>
    after.reduce((sum, thing, at) => {
      if (typeof thing !== 'string' || thing === places[at]) return sum;
      const within = ((uses.get(thing) ?? 0) / weeks) * HORIZON_WEEKS;
      return sum + relearningSeconds(Math.round(within), operators);
    }, 0);
  const changes = [...uses]
    .sort(([, a], [, b]) => b - a)
    .slice(0, MOST_LOOKED_AT)
    .flatMap(([application]) =>
      DIGITS.map((digit): PlaceAdvice | null => {
        const there = places[DIGITS.indexOf(digit)] ?? null;
        // A document has its place for reasons that no history of applications knows.
        if (there === application || (typeof there !== 'string' && there !== null)) return null;
        const after = putAt(places, application, digit);
        return {
          application,
          digit,
          from: DIGITS[places.indexOf(application)] ?? null,
          saves: (savedBy(after, saving) - now) / weeks,
          relearning: relearning(after),
        };
      }),
    )
    .filter((change) => change !== null)
    .filter(pays)
    .sort((a, b) => netOf(b) - netOf(a));
  const chosen: PlaceAdvice[] = [];
  for (const change of changes)
    if (
      !chosen.some(({ application, digit }) => application === change.application || digit === change.digit)
    )
      chosen.push(change);
  return chosen.slice(0, MOST_PLACES);
}

/** Windows that are far away again and again, with what is bound as it is now. */
function shortcutAdvice(
  { windows }: Read,
  { places, block, shortcuts }: Keys,
  weeks: number,
  operators: Operators,
): ShortcutAdvice[] {
  const own = pressesSeconds(1, operators);
  return [...windows]
    .filter(([window]) => !shortcuts.includes(window))
    .map(([window, { application, distances }]): ShortcutAdvice => {
      const digit = DIGITS[places.indexOf(application)];
      let saved = 0;
      for (const { steps, leaves, count } of distances) {
        const stepping = pressesSeconds(steps + leaves, operators);
        const atPlace = digit ? pressesSeconds(1 + leaves, operators) + extraReach(digit, block) : Infinity;
        saved += count * Math.max(0, Math.min(stepping, atPlace) - own);
      }
      const uses = Math.round((usesOf(distances) / weeks) * HORIZON_WEEKS);
      return { window, saves: saved / weeks, relearning: relearningSeconds(uses, operators) };
    })
    .filter(pays)
    .sort((a, b) => netOf(b) - netOf(a))
    .slice(0, MOST_SHORTCUTS);
}

/** What a change is worth within the horizon, in s. */
const netOf = ({ saves, relearning }: Worth): number => saves * HORIZON_WEEKS - relearning;
const pays = (change: Worth): boolean => netOf(change) > 0;

/** How many switches take so many presses in a list that never changes, the oftenest used first; what is in front is passed over. */
function fixedList(history: History, applications: Read['applications']): number[] {
  const { length, from, to, leaf, leaves, ends } = history;
  const often = [...applications].sort(([, a], [, b]) => usesOf(b) - usesOf(a));
  const ranks = new Map(often.map(([application], rank) => [application, rank]));
  const rankOf = Float64Array.from(ends, ({ application }) => ranks.get(application) ?? Infinity);
  const counts: number[] = [];
  for (let i = 0; i < length; i += 1) {
    if (!isCounted(history, i)) continue;
    const rank = rankOf[to[i] ?? NONE] ?? 0;
    const front = rankOf[from[i] ?? NONE] ?? Infinity;
    const presses = rank + (front < rank ? 0 : 1) + around(leaf[i] ?? 0, leaves[i] ?? 1);
    counts[presses] = (counts[presses] ?? 0) + 1;
  }
  return counts;
}

/** What the same switches would have cost by each order. */
function policiesOver(
  history: History,
  { count, applications }: Read,
  { keys, best, operators }: { readonly keys: Keys; readonly best: Places; readonly operators: Operators },
): PolicyCost[] {
  const sums = new Map<Policy, { presses: number; seconds: number }>();
  const add = (policy: Policy, times: number, presses: number, extra = 0) => {
    const sum = sums.get(policy) ?? { presses: 0, seconds: 0 };
    sums.set(policy, sum);
    sum.presses += times * presses;
    sum.seconds += times * (pressesSeconds(presses, operators) + extra);
  };
  const orders: readonly { readonly policy: Policy; readonly places: Places; readonly always: boolean }[] = [
    { policy: 'recency', places: [], always: false },
    { policy: 'places', places: best, always: true },
    { policy: 'mixed', places: best, always: false },
    { policy: 'now', places: keys.places, always: false },
  ];
  for (const { policy, places, always } of orders)
    for (const [application, distances] of applications) {
      const digit = DIGITS[places.indexOf(application)];
      const extra = digit === undefined ? 0 : extraReach(digit, keys.block);
      for (const { steps, leaves, count: times } of distances) {
        const stepping = steps + leaves;
        const sooner = pressesSeconds(1 + leaves, operators) + extra < pressesSeconds(stepping, operators);
        if (digit !== undefined && (always || sooner)) add(policy, times, 1 + leaves, extra);
        else add(policy, times, stepping);
      }
    }
  fixedList(history, applications).forEach((times, presses) => add('frequency', times, presses));
  return POLICIES.map((policy) => {
    const { presses, seconds } = sums.get(policy) ?? { presses: 0, seconds: 0 };
    return { policy, presses: presses / count, seconds: seconds / count };
  });
}
