import { keysNow } from '../../../testing/switches';
import { expect, it } from 'vitest';
import { historyOf } from '../core/tally/history';
import { PUBLISHED } from '../core/tally/operators';
import { tallyOf } from '../core/tally/tally';
import { ellavane } from './ellavane';
import { ellavaneHistory, WEEKS } from './history';

const NOW = new Date('2026-11-27T16:00:00.000Z');
const DAY_MS = 24 * 3_600_000;
const made = ellavaneHistory(ellavane(NOW), NOW);

it('is the same for the same moment', () => {
  expect(ellavaneHistory(ellavane(NOW), NOW)).toEqual(made);
});

it('goes from weeks ago to just now, forward alone, and ends before the session’s first event', () => {
  const at = made.map((it) => Date.parse(it.at));
  expect(at.every((instant, n) => n === 0 || instant >= (at[n - 1] ?? 0))).toBe(true);
  expect(NOW.getTime() - (at[0] ?? 0)).toBeGreaterThan((WEEKS - 1) * 7 * DAY_MS);
  expect(at.at(-1)).toBeLessThan(NOW.getTime());
  expect(made.at(-1)?.seq).toBe(-1);
  expect(new Set(made.map(({ seq }) => seq)).size).toBe(made.length);
});

it('goes on where it stopped: each switch begins in the window where the one before ended', () => {
  expect(made.every((it, n) => n === 0 || it.from?.window === made[n - 1]?.to?.window)).toBe(true);
});

it('has something for every figure of a week, whichever day it is', () => {
  for (let day = 0; day < 7; day += 1) {
    const now = new Date(NOW.getTime() + day * DAY_MS);
    const history = historyOf(ellavaneHistory(ellavane(now), now));
    const start = now.getTime() - 7 * DAY_MS;
    const days = Array.from({ length: 7 }, (_, n) => ({
      start: start + n * DAY_MS,
      end: start + (n + 1) * DAY_MS,
    }));
    const tally = tallyOf(history, {
      since: start,
      until: now.getTime(),
      days,
      operators: PUBLISHED,
      keys: keysNow(),
    });
    expect(tally.habits[0]?.saves).toBeGreaterThan(0);
    expect(tally.ways.length).toBeGreaterThan(5);
    expect(tally.ways.some(({ misses }) => misses > 0)).toBe(true);
    expect(tally.bands.filter(({ stays }) => stays.length > 0).length).toBeGreaterThan(3);
    expect(tally.fromTo.pairs[0]?.count).toBeGreaterThan(10);
    expect(tally.law?.low).toBeGreaterThan(0);
  }
});
