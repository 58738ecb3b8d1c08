import { describe, expect, it } from 'vitest';
import { later, START } from '../../../../testing/sessions';
import { keysNow, path, switchTo } from '../../../../testing/switches';
import { EMPTY_HISTORY, historyOf } from './history';
import { MODEL_ERROR, pointerSeconds, PUBLISHED } from './operators';
import type { Switch } from './recording';
import { AWAY_MS, INTERRUPTED_MS, MISS_MS, MOST_NAMED, MOST_STEPS, PIECE_MS, tallyOf } from './tally';

const MIDNIGHT = Date.parse('2026-11-24T00:00:00.000Z');
const DAY_MS = 24 * 3_600_000;
const TODAY = { start: MIDNIGHT, end: MIDNIGHT + DAY_MS };
const QUESTION = {
  since: 0,
  until: Infinity,
  days: [TODAY],
  operators: PUBLISHED,
  keys: keysNow(),
};
const tally = (switches: readonly Switch[], question = QUESTION) => tallyOf(historyOf(switches), question);

describe('what the keys took', () => {
  it('is their time, beside what the pointer would have taken for the same switches', () => {
    const told = tally([
      switchTo('b1', 10, { took: 800 }),
      switchTo('a1', 20, { took: 1_200, way: 'place' }),
      switchTo('b1', 30, { took: null, way: 'pointer' }),
    ]);
    expect(told).toMatchObject({ switches: 3, timed: 2, keySeconds: 2 });
    expect(told.pointerSeconds).toBeCloseTo(2 * pointerSeconds(PUBLISHED), 10);
    expect(told.error).toBeCloseTo(told.pointerSeconds * MODEL_ERROR, 10);
  });

  it('follows the operators that someone chose', () => {
    const slow = { ...PUBLISHED, pointing: 3 };
    expect(tally([switchTo('b1', 10)], { ...QUESTION, operators: slow }).pointerSeconds).toBeCloseTo(4, 10);
  });

  it('leaves out who did something else meanwhile, and times of nothing', () => {
    const told = tally([
      switchTo('b1', 10, { took: INTERRUPTED_MS + 1 }),
      switchTo('a1', 20, { took: INTERRUPTED_MS }),
      switchTo('b1', 30, { took: 0 }),
    ]);
    expect(told).toMatchObject({ switches: 3, timed: 1, keySeconds: INTERRUPTED_MS / 1_000 });
  });

  it('counts no switch that nobody wanted, and none outside of the time that was asked for', () => {
    const switches = [
      switchTo('b1', 10, { way: 'other' }),
      switchTo('a1', 20, { way: 'host' }),
      switchTo('b1', 30, { way: 'page' }),
      switchTo('a1', 40),
    ];
    expect(tally(switches).switches).toBe(1);
    expect(tally(switches, { ...QUESTION, until: Date.parse(later(40)) }).switches).toBe(0);
    expect(tally(switches, { ...QUESTION, since: Date.parse(later(40)) }).switches).toBe(1);
  });
});

describe('the ways', () => {
  it('have a count, their time and the time in the middle, of an odd and an even number', () => {
    const { ways } = tally([
      ...[300, 500, 2_500].map((took, n) => switchTo('b1', 10 * n, { took })),
      ...[400, 600].map((took, n) => switchTo('a1', 100 + 10 * n, { took, way: 'search' })),
    ]);
    expect(ways).toEqual([
      { way: 'step', count: 3, seconds: 3.3, median: 0.5, misses: 0 },
      { way: 'search', count: 2, seconds: 1, median: 0.5, misses: 0 },
    ]);
  });

  it('have misses: switches that were left again within two seconds, by someone who wanted to be elsewhere', () => {
    const start = 100;
    const after = (ms: number, way: Switch['way'] = 'step'): Switch[] => [
      switchTo('b1', start),
      { ...switchTo('a1', start + 1, { way }), at: new Date(Date.parse(later(start)) + ms).toISOString() },
    ];
    expect(tally(after(MISS_MS - 1)).ways[0]?.misses).toBe(1);
    expect(tally(after(MISS_MS)).ways[0]?.misses).toBe(0);
    expect(tally(after(500, 'other')).ways[0]?.misses).toBe(0);
    // A run of presses passes through windows; that is no miss.
    const run = after(500).map((it, n) => ({ ...it, goesOn: n === 1 }));
    expect(tally(run).ways[0]).toMatchObject({ count: 1, misses: 0 });
  });
});

describe('the band of a day', () => {
  const stays = (switches: readonly Switch[], question = QUESTION) =>
    tally(switches, question).bands[0]?.stays.map(({ application, from, to }) => [
      application,
      (from - Date.parse(START)) / PIECE_MS,
      (to - Date.parse(START)) / PIECE_MS,
    ]);
  const piece = PIECE_MS / 1_000;

  it('has in each piece what was in front longest of it', () => {
    const switches = [
      switchTo('a1', 0),
      switchTo('b1', piece * 0.4),
      switchTo('a1', piece * 2),
      switchTo(null, piece * 3),
    ];
    expect(stays(switches)).toEqual([
      ['b', 0, 2],
      ['a', 2, 3],
    ]);
  });

  it('ends when nobody has switched for an hour, and goes on with the next switch', () => {
    const hour = AWAY_MS / PIECE_MS;
    expect(stays([switchTo('a1', 0), switchTo('a1', piece * 3 * hour)])).toEqual([
      ['a', 0, hour],
      ['a', 3 * hour, 4 * hour],
    ]);
  });

  it('shows on a day what came to the front before midnight, and nothing after the moment that was asked for', () => {
    const before = { ...switchTo('a1', 0), at: new Date(MIDNIGHT - PIECE_MS).toISOString() };
    const [first] = tally([before]).bands[0]?.stays ?? [];
    expect(first).toMatchObject({ application: 'a', from: MIDNIGHT, to: MIDNIGHT + AWAY_MS - PIECE_MS });
    const until = Date.parse(START) + PIECE_MS;
    expect(stays([switchTo('a1', 0)], { ...QUESTION, until })).toEqual([['a', 0, 1]]);
  });
});

describe('from where to where', () => {
  it('counts each pair of applications by direction, and names the windows that someone flips between', () => {
    const { fromTo } = tally(path('a1', 'b1', 'a1', 'b1', 'c1', 'b1'));
    expect(fromTo.applications).toEqual(['b', 'a', 'c']);
    expect(fromTo.counts).toEqual([
      [0, 1, 1],
      [2, 0, 0],
      [1, 0, 0],
    ]);
    expect(fromTo.pairs[0]).toEqual({ windows: ['a1', 'b1'], count: 3 });
  });

  it('puts together as others what is beyond the most used', () => {
    const names = 'abcdefghij'.split('').map((letter) => `${letter}1`);
    const { fromTo } = tally(path(...names.flatMap((name, n) => Array<string>(20 - n).fill(name))));
    expect(fromTo.applications).toHaveLength(MOST_NAMED + 1);
    expect(fromTo.applications.at(-1)).toBeNull();
    const all = fromTo.counts.flat().reduce((sum, count) => sum + count, 0);
    expect(all).toBe(names.reduce((sum, _, n) => sum + 20 - n, 0) - 1);
  });
});

describe('steps to what was wanted', () => {
  it('are counted by distance; the last count has all beyond, and another window of the same row is none', () => {
    const { steps } = tally([0, 1, 1, 3, 40, -1].map((row, n) => switchTo('b1', 10 * n, { row })));
    expect(steps.counts).toEqual([2, 0, 1, 0, 0, 0, 0, 1]);
    expect(steps.counts).toHaveLength(MOST_STEPS);
  });

  it('are predicted from one’s own frequencies: of two applications it is always one step', () => {
    const { steps } = tally(path('a1', 'b1', 'a1', 'b1', 'a1'));
    expect(steps.predicted[0]).toBeCloseTo(4, 6);
  });

  it('predicts as many as there were', () => {
    const names = Array.from({ length: 200 }, (_, n) => `${'abcdefghijkl'[(n * n) % 12] ?? ''}1`);
    const { steps } = tally(path(...names).map((it) => ({ ...it, row: 2 })));
    expect(steps.predicted.reduce((sum, share) => sum + share, 0)).toBeCloseTo(199, 6);
  });
});

describe('practice', () => {
  it('is a law over all switches by keys, and the middle of each week, whatever time is asked for', () => {
    const week = 7 * 24 * 3_600;
    const switches = Array.from({ length: 60 }, (_, n) =>
      switchTo('b1', Math.floor(n / 20) * week + n, { took: Math.round(4_000 * (n + 1) ** -0.4) }),
    );
    const told = tally([...switches, switchTo('a1', 4 * week, { way: 'pointer', took: 9_000 })], {
      ...QUESTION,
      since: Infinity,
    });
    expect(told.law?.exponent).toBeCloseTo(0.4, 2);
    expect(told.weeks.map(({ count, n }) => [count, n])).toEqual([
      [20, 11],
      [20, 31],
      [20, 51],
    ]);
    expect(told.weeks[2]?.median).toBeLessThan(told.weeks[0]?.median ?? 0);
  });
});

it('of nothing is empty and breaks nowhere', () => {
  expect(tallyOf(EMPTY_HISTORY, QUESTION)).toMatchObject({
    switches: 0,
    ways: [],
    law: null,
    weeks: [],
    fromTo: { applications: [], counts: [], pairs: [] },
  });
});
