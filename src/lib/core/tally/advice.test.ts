import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../../testing/runs';
import { keysNow, switchTo } from '../../../../testing/switches';
import { putAt } from '../slices/places/selectors';
import { DIGITS, type Places } from '../slices/places/state';
import { adviceOf, HORIZON_WEEKS, MOST_PLACES, type Policy } from './advice';
import { historyOf } from './history';
import { fewestPresses, pressesSeconds } from './habits';
import { PUBLISHED } from './operators';
import { extraReach } from './reach';
import { relearningSeconds } from './relearning';
import type { Switch } from './recording';

const WEEK_S = 7 * 24 * 3_600;

/** So many switches to a window in one week, by how far away it was. */
const often = (to: string, count: number, more: Partial<Switch> = {}): Switch[] =>
  Array.from({ length: count }, (_, n) =>
    switchTo(to, n, { row: 4, rows: 10, from: { window: 'z1', application: 'z' }, ...more }),
  );
const advice = (switches: readonly Switch[], keys = keysNow()) =>
  adviceOf(historyOf(switches), keys, PUBLISHED);
const four = 5 * 0.2 + 1.35;
const one = 2 * 0.2;

/** Each switch by itself, by whatever is cheaper. */
function costOf(switches: readonly Switch[], places: Places): number {
  let sum = 0;
  for (const { to, row, rows, leaf, leaves } of switches) {
    const standing = { row: row ?? 0, rows, leaf: leaf ?? 0, leaves };
    const stepping = pressesSeconds(fewestPresses(standing, false, false).presses, PUBLISHED);
    const digit = DIGITS[places.indexOf(to?.application ?? '')];
    const leafSteps = Math.min(standing.leaf, leaves - standing.leaf);
    const atPlace = digit ? pressesSeconds(1 + leafSteps, PUBLISHED) + extraReach(digit, 'left') : Infinity;
    sum += Math.min(stepping, atPlace);
  }
  return sum;
}

const anySwitch = fc
  .record({
    application: fc.constantFrom('a', 'b', 'c', 'd'),
    window: fc.integer({ min: 1, max: 3 }),
    row: fc.integer({ min: 1, max: 6 }),
    leaf: fc.integer({ min: 0, max: 2 }),
  })
  .map(({ application, window, row, leaf }) =>
    switchTo(`${application}${window}`, 0, { row, rows: 7, leaf, leaves: 3 }),
  );
const anyHistory = fc.array(anySwitch, { minLength: 1, maxLength: 60 });
const anyPlaces = fc
  .shuffledSubarray(['a', 'b', 'c', 'd', 'x', 'y', null, null, null, null, null, null], {
    minLength: 10,
    maxLength: 10,
  })
  .map((places): Places => places);

describe('which application at which digit', () => {
  it('says what each change would save by itself, what stands there moved as it would be', () => {
    fc.assert(
      fc.property(anyHistory, anyPlaces, (switches, places) => {
        for (const { application, digit, from, saves, relearning } of advice(switches, keysNow({ places }))
          .places) {
          const after = putAt(places, application, digit);
          expect(from).toBe(DIGITS[places.indexOf(application)] ?? null);
          expect(saves).toBeCloseTo(costOf(switches, places) - costOf(switches, after), 6);
          expect(saves * HORIZON_WEEKS).toBeGreaterThan(relearning);
        }
      }),
      { numRuns: runs(100) },
    );
  });

  it('knows no places that would have cost more than any others', () => {
    fc.assert(
      fc.property(anyHistory, anyPlaces, (switches, places) => {
        const { policies } = advice(switches, keysNow({ places }));
        const seconds = (policy: Policy) => policies.find((it) => it.policy === policy)?.seconds ?? NaN;
        expect(seconds('now')).toBeCloseTo(costOf(switches, places) / switches.length, 6);
        expect(seconds('mixed')).toBeLessThanOrEqual(seconds('now') + 1e-9);
        expect(seconds('mixed')).toBeLessThanOrEqual(seconds('recency') + 1e-9);
        expect(seconds('mixed')).toBeLessThanOrEqual(seconds('places') + 1e-9);
      }),
      { numRuns: runs(100) },
    );
  });

  it('has nearest to the hand what is wanted oftenest, and nothing of what is there already', () => {
    const switches = [...often('a1', 40), ...often('b1', 20)];
    const [first, second] = advice(switches).places;
    expect([first?.application, second?.application]).toEqual(['a', 'b']);
    const learning = (uses: number) => relearningSeconds(uses * HORIZON_WEEKS, PUBLISHED);
    expect(first).toEqual({
      application: 'a',
      digit: '2',
      from: null,
      saves: expect.closeTo(40 * (four - one), 6),
      relearning: learning(40),
    });
    // Whoever has to make room has to be learned, too.
    const others = [...'bcdefghij'];
    const [swap] = advice(
      [...often('a1', 200), ...others.flatMap((application) => often(`${application}1`, 20))],
      keysNow({ places: [...others, 'a'] }),
    ).places;
    expect([swap?.application, swap?.from]).toEqual(['a', '0']);
    expect(swap?.relearning).toBeCloseTo(learning(200) + learning(20), 6);
    const places: (string | null)[] = DIGITS.map(() => null);
    places[DIGITS.indexOf(first?.digit ?? '1')] = 'a';
    places[DIGITS.indexOf(second?.digit ?? '1')] = 'b';
    expect(advice(switches, keysNow({ places })).places).toEqual([]);
  });

  it('is silent where learning costs more than is saved, and about digits at which documents stand', () => {
    // One press less often, against what learning costs.
    const rarely = often('a1', 1, { row: 1, leaf: 0 });
    expect(advice(rarely).places).toEqual([]);
    const documents = keysNow({ places: DIGITS.map((digit) => ({ document: `d-${digit}` })) });
    expect(advice(often('a1', 40), documents).places).toEqual([]);
  });

  it('is of five changes at most, and of a week, however long the history', () => {
    const many = [...'abcdefgh'].flatMap((application, n) => often(`${application}1`, 10 + n));
    expect(advice(many).places).toHaveLength(MOST_PLACES);
    const long = [...often('a1', 20), switchTo('a1', 4 * WEEK_S, { row: 4, rows: 10 })];
    expect(advice(long).places[0]?.saves).toBeCloseTo((21 * (four - one)) / 4, 6);
  });
});

describe('shortcuts', () => {
  it('go to windows that no other key reaches as soon', () => {
    const switches = [
      ...often('a1', 20),
      ...often('a2', 30, { leaf: 2, leaves: 5 }),
      ...often('b1', 2, { row: 1 }),
    ];
    const placed = keysNow({ places: [null, 'a'] });
    const [first, ...more] = advice(switches, placed).shortcuts;
    // Its application’s place, and two windows on: three presses.
    expect(first).toMatchObject({ window: 'a2', saves: expect.closeTo(30 * (4 * 0.2 + 1.35 - one), 6) });
    expect(more).toEqual([]);
    expect(advice(switches, { ...placed, shortcuts: ['a2'] }).shortcuts).toEqual([]);
    expect(advice(switches).shortcuts.map(({ window }) => window)).toEqual(['a2', 'a1']);
  });
});

describe('other orders', () => {
  const presses = (switches: readonly Switch[], policy: Policy) =>
    advice(switches).policies.find((it) => it.policy === policy)?.presses;

  it('count what the same switches would have taken', () => {
    const from = (application: string) => ({ window: `${application}1`, application });
    const switches = [
      switchTo('a1', 1, { from: from('c'), row: 3, rows: 4 }),
      switchTo('b1', 2, { from: from('a'), row: 2, rows: 4 }),
      switchTo('a1', 3, { from: from('b'), row: 1, rows: 4 }),
      switchTo('c1', 4, { from: from('a'), row: 2, rows: 4, leaf: 1, leaves: 2 }),
    ];
    // Once round at the other end: 1, 2, 1 and 2 with a window more.
    expect(presses(switches, 'recency')).toBe((1 + 2 + 1 + 3) / 4);
    // Oftenest a, then b and c: from c to a 1, from a to b 1, from b to a 1, from a to c 2 with a window more.
    expect(presses(switches, 'frequency')).toBe((1 + 1 + 1 + 3) / 4);
    expect(presses(switches, 'places')).toBe((1 + 1 + 1 + 2) / 4);
  });

  it('go by the digit of a place always, or only where that is sooner', () => {
    const near = [...'abcdefghij'].flatMap((application) => often(`${application}1`, 2, { row: 1, rows: 2 }));
    const far = [...'abcdefghij'].flatMap((application) => often(`${application}1`, 1));
    const { policies } = advice([...near, ...far]);
    const seconds = (policy: Policy) => policies.find((it) => it.policy === policy)?.seconds ?? NaN;
    expect(seconds('places')).toBeGreaterThan(seconds('mixed') + 0.01);
    expect(seconds('mixed')).toBeLessThan(seconds('recency'));
  });

  it('are not told of where nobody went to another application', () => {
    expect(advice([])).toEqual({ switches: 0, policies: [], places: [], shortcuts: [] });
    expect(advice(often('a1', 5, { row: 0 })).switches).toBe(0);
    expect(advice(often('a1', 5, { way: 'host' })).switches).toBe(0);
  });
});

describe('what it is reckoned with', () => {
  it('a digit far from the hand that holds costs a fifth of a second more, by either hand', () => {
    expect(extraReach('0', 'left')).toBeGreaterThan(0.2);
    expect(extraReach('0', 'right')).toBeCloseTo(0, 6);
    expect(extraReach('1', 'right')).toBeGreaterThan(0.2);
    for (const block of ['left', 'right'] as const)
      expect(Math.min(...DIGITS.map((digit) => extraReach(digit, block)))).toBe(0);
  });

  it('learning ends once it costs no more than a key', () => {
    expect(relearningSeconds(0, PUBLISHED)).toBe(0);
    expect(relearningSeconds(2, PUBLISHED)).toBeCloseTo(1.35 * (1 + 2 ** -0.4), 8);
    expect(relearningSeconds(1e6, PUBLISHED)).toBe(relearningSeconds(200, PUBLISHED));
  });
});
