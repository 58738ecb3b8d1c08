import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aroundOf } from '../../../../testing/person';
import { runs } from '../../../../testing/runs';
import { sessionOf } from '../../../../testing/sessions';
import { keysNow, switchTo } from '../../../../testing/switches';
import { cheapestWay } from './cheapest-way';
import { FEWEST_TIMES, fewestPresses, habitsIn } from './habits';
import { historyOf } from './history';
import { PUBLISHED } from './operators';
import type { Switch } from './recording';
import { switchBetween } from './recording';

const NOTHING = keysNow();

it('takes as few presses as the cheapest way at the desk itself, with places and without', () => {
  const desk = fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(desk, fc.boolean(), (counts, placed) => {
      const line = counts
        .map((count, a) => `p${a}: ${Array.from({ length: count }, (_, n) => `p${a}w${n}`).join(' ')}`)
        .join(' | ');
      const small = sessionOf(line);
      const session = placed ? small : { ...small, places: small.places.map(() => null) };
      for (const { id } of session.windows) {
        if (id === session.front) continue;
        const around = { seq: 1, at: '', origin: undefined };
        const there = switchBetween(session, { ...session, front: id }, around);
        const { row, rows, leaf, leaves } = there ?? switchTo(id, 0);
        const fewest = fewestPresses({ row: row ?? 0, rows, leaf: leaf ?? 0, leaves }, placed, false);
        const operators = { ...PUBLISHED, key: 1, mental: 0 };
        const { matching } = aroundOf(session);
        const cheapest = cheapestWay(id, { session, matching, operators, search: null });
        expect([line, id, fewest.presses + 1]).toEqual([line, id, cheapest?.keys]);
      }
    }),
    { numRuns: runs(60) },
  );
});

it('is one press of a shortcut of its own', () => {
  const far = { row: 4, rows: 10, leaf: 2, leaves: 5 };
  expect(fewestPresses(far, true, true)).toEqual({ way: 'shortcut', presses: 1 });
  // Where one press does anyway, nothing is better.
  expect(fewestPresses({ ...far, row: 1, leaf: 0 }, false, true)).toEqual({ way: 'step', presses: 1 });
});

describe('habits', () => {
  const far: Partial<Switch> = { way: 'step', presses: 4, row: 4, rows: 10 };
  const often = (to: string, times: number, more = far): Switch[] =>
    Array.from({ length: times }, (_, n) => switchTo(to, n, more));
  const habits = (switches: readonly Switch[], bound = NOTHING, most = 5) =>
    habitsIn(historyOf(switches), bound, PUBLISHED, most);
  const four = 5 * 0.2 + 1.35;

  it('tell what a better way, and a shortcut, would save in a week', () => {
    const [habit] = habits(often('a1', 10), keysNow({ places: ['a'] }));
    expect(habit).toMatchObject({ window: 'a1', way: 'step', better: 'place', perWeek: 10 });
    expect(habit?.saves).toBeCloseTo(10 * (four - 0.4), 8);
    expect(habit?.boundSaves).toBeCloseTo(10 * (four - 0.4), 8);
  });

  it('save nothing where the way was the best of what is bound, but a shortcut would', () => {
    const [habit] = habits(often('a1', 10));
    expect(habit).toMatchObject({ better: 'step', saves: 0 });
    expect(habit?.boundSaves).toBeGreaterThan(0);
  });

  it('are reckoned by the week', () => {
    const switches = Array.from({ length: 20 }, (_, n) => switchTo('a1', n * 24 * 3_600, far));
    expect(habits(switches)[0]?.perWeek).toBeCloseTo(20 / (19 / 7), 8);
  });

  it('are the dearest ones, and so many of them', () => {
    const switches = [...often('a1', 5), ...often('b1', 9), ...often('c1', 7)];
    expect(habits(switches, NOTHING, 2).map(({ window }) => window)).toEqual(['b1', 'c1']);
  });

  it('are none of what is rare, by pointer, of unknown keys, or as short as can be', () => {
    expect(habits(often('a1', FEWEST_TIMES - 1))).toEqual([]);
    expect(habits(often('a1', 9, { ...far, way: 'pointer', presses: null }))).toEqual([]);
    expect(habits(often('a1', 9, { ...far, presses: null }))).toEqual([]);
    expect(habits(often('a1', 9, { ...far, row: null }))).toEqual([]);
    expect(habits(often('a1', 9, { way: 'step', presses: 1, row: 1 }))).toEqual([]);
  });
});
