/**
 * A history for the harbour office: eight weeks of switching that nobody did, made by a seeded model, so that the tally of
 * the demo shows what it can. People flip between what belongs together, need less time with every week, and let go of the
 * pointer bit by bit.
 */
import { randomExponential, randomLcg, randomLogNormal } from 'd3-random';
import type { SessionDocument } from '../core/formats/session-document';
import type { End, Switch } from '../core/tally/recording';
import type { Way } from '../core/tally/way';

/** How many weeks it goes back. */
export const WEEKS = 8;
const SEED = 0.487;
const DAY_MS = 24 * 3_600_000;
const MINUTE_MS = 60_000;
/** The working day, in minutes from midnight, and its break. */
const WORK = { from: 7 * 60 + 30, to: 17 * 60, lunchFrom: 12 * 60 + 15, lunchTo: 13 * 60 } as const;
/** Minutes between switches, in the mean. */
const MINUTES_BETWEEN = 3.2;
/** The power law that their times follow, before noise: seconds for the first, and the exponent. */
const PRACTICE = { first: 4.6, exponent: 0.21, spread: 0.3 } as const;
/** The share that goes by pointer in the first week and in the last. */
const BY_POINTER = { first: 0.4, last: 0.12 } as const;
/** How often the next window is the one before. */
const FLIPS = 0.42;
/** How often the first try ends in a wrong window, in the first week and in the last. */
const MISSED = { first: 0.09, last: 0.03 } as const;

/** How much longer, or shorter, than the common one a way takes. */
const EFFORT: Readonly<Partial<Record<Way, number>>> = {
  step: 0.8,
  'window-step': 1.1,
  place: 0.75,
  search: 2.1,
  survey: 2.3,
  pointer: 2.6,
};

/**
 * That history up to `now`, oldest first, numbered so that it ends before the session's first event.
 * @param document the demo's session, whose windows it is about
 */
export function ellavaneHistory(document: SessionDocument, now: Date): Switch[] {
  const chance = randomLcg(SEED);
  const noise = randomLogNormal.source(chance)(0, PRACTICE.spread);
  const pause = randomExponential.source(chance)(1 / MINUTES_BETWEEN);
  const windows = document.windows.map(({ id, application }): End => ({ window: id, application }));
  /** By recent use, the most recent first. */
  let order = windows;
  let keyed = 0;
  const switches: Omit<Switch, 'seq'>[] = [];

  const go = (at: number, to: End, progress: number): void => {
    const [from = null] = order;
    const standing = standingOf(order, to);
    const way = wayTo(standing.row, progress);
    const byKeys = way !== 'pointer';
    if (byKeys) keyed += 1;
    const law = PRACTICE.first * Math.max(1, keyed) ** -PRACTICE.exponent;
    const seconds = law * (EFFORT[way] ?? 1) * (1 + 0.12 * standing.row) * noise();
    switches.push({
      at: new Date(at).toISOString(),
      way,
      took: byKeys ? Math.round(1000 * seconds) : null,
      presses: byKeys ? pressesOf(way, standing) : null,
      from,
      to,
      ...standing,
      goesOn: false,
    });
    order = [to, ...order.filter((other) => other !== to)];
  };

  const wayTo = (row: number, progress: number): Way => {
    if (chance() < mix(BY_POINTER.first, BY_POINTER.last, progress)) return 'pointer';
    if (row === 0) return 'window-step';
    if (row === 1 && chance() < 0.85) return 'step';
    if (chance() < mix(0.2, 0.62, progress)) return 'place';
    const rest = chance();
    return rest < 0.22 ? 'search' : rest < 0.3 ? 'survey' : 'step';
  };

  /** The one before, or by Zipf's law whatever is often needed. */
  const next = (): End => {
    const before = order[1];
    if (before && chance() < FLIPS) return before;
    const others = windows.filter((window) => window !== order[0]);
    const weights = others.map((_, rank) => 1 / (rank + 1));
    let left = chance() * weights.reduce((sum, weight) => sum + weight, 0);
    const drawn = others.find((_, rank) => (left -= weights[rank] ?? 0) <= 0);
    return drawn ?? (others[0] as End);
  };

  for (const start of workDays(now)) {
    const progress = 1 - (now.getTime() - start) / (WEEKS * 7 * DAY_MS);
    for (let minute = WORK.from + pause(); minute < WORK.to; minute += Math.max(0.2, pause())) {
      if (minute > WORK.lunchFrom && minute < WORK.lunchTo) minute = WORK.lunchTo + pause();
      const at = start + minute * MINUTE_MS;
      if (at >= now.getTime() - MINUTE_MS) break;
      const wanted = next();
      const wrong = order[2];
      if (wrong && wrong !== wanted && chance() < mix(MISSED.first, MISSED.last, progress)) {
        go(at, wrong, progress);
        go(at + 900 + 900 * chance(), wanted, progress);
      } else go(at, wanted, progress);
    }
  }
  return switches.map((it, n) => ({ ...it, seq: n - switches.length }));
}

const mix = (from: number, to: number, progress: number): number => from + (to - from) * progress;

/** The midnights of the working days up to now, where this machine is, in ms. */
function workDays(now: Date): number[] {
  const midnights = Array.from(
    { length: WEEKS * 7 },
    (_, n) => new Date(now.getFullYear(), now.getMonth(), now.getDate() - (WEEKS * 7 - 1) + n),
  );
  return midnights.filter((day) => day.getDay() % 6 !== 0).map((day) => day.getTime());
}

function standingOf(order: readonly End[], to: End) {
  const applications = [...new Set(order.map(({ application }) => application))];
  const leaves = order.filter(({ application }) => application === to.application);
  return {
    row: applications.indexOf(to.application),
    rows: applications.length,
    leaf: leaves.indexOf(to),
    leaves: leaves.length,
  };
}

function pressesOf(way: Way, { row, rows, leaf }: { row: number; rows: number; leaf: number }): number {
  switch (way) {
    case 'step':
      return Math.min(row, rows - row) + leaf;
    case 'window-step':
      return Math.max(1, leaf);
    case 'search':
      return 5;
    case 'survey':
      return 4;
    default:
      return 1 + leaf;
  }
}
