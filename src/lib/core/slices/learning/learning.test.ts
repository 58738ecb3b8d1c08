import { describe, expect, it } from 'vitest';
import {
  decay,
  forget,
  HALF_LIFE_DAYS,
  learn,
  LEFT_TO_RIVALS,
  lessonsFor,
  REMEMBERED_CHOICES,
  strengthAt,
  strongest,
} from './learning';
import type { LearnedChoice } from './state';

const day = (n: number): string => new Date(Date.UTC(2026, 10, 1) + n * 86_400_000).toISOString();

describe('the decay of a choice', () => {
  // N(t) = N₀ · 2^(-t/T½), the textbook formula of exponential decay; the values are computed by hand.
  it.each([
    [0, 1],
    [7, Math.SQRT1_2],
    [14, 0.5],
    [28, 0.25],
    [42, 0.125],
  ])('after %i days is %f', (days, factor) => {
    expect(HALF_LIFE_DAYS).toBe(14);
    expect(decay(day(0), day(days))).toBeCloseTo(factor, 12);
  });

  it('does not grow when clocks disagree', () => {
    expect(decay(day(5), day(0))).toBe(1);
  });
});

describe('learning', () => {
  it('adds 1 to what is left of the earlier choices', () => {
    // On days 0, 14 and 28: 1 → 0.5 + 1 = 1.5 → 0.75 + 1 = 1.75; on day 42 half of that.
    const learned = [0, 14, 28].reduce(
      (before, n) => learn(before, { letters: 'tq', choice: 'timber-quay', at: day(n) }),
      learn([], { letters: 'x', choice: 'other', at: day(0) }),
    );
    const choice = learned.find(({ letters }) => letters === 'tq');
    expect(choice?.weight).toBeCloseTo(1.75, 12);
    expect(choice && strengthAt(choice, day(42))).toBeCloseTo(0.875, 12);
    expect(learned).toHaveLength(2);
  });

  it('forgets the weakest when there is no more room', () => {
    let learned = learn([], { letters: 'l', choice: 'first', at: day(1) });
    learned = learn(learned, { letters: 'm', choice: 'weakest', at: day(0) });
    for (let n = 2; n <= REMEMBERED_CHOICES; n += 1)
      learned = learn(learned, { letters: `l${n}`, choice: `choice ${n}`, at: day(1) });
    expect(learned).toHaveLength(REMEMBERED_CHOICES);
    expect(learned.some(({ choice }) => choice === 'weakest')).toBe(false);
    // Of those that are as weak, the first to come is the first to go.
    const more = learn(learned, { letters: 'n', choice: 'choice 9', at: day(1) });
    expect(more).toHaveLength(REMEMBERED_CHOICES);
    expect(more.some(({ choice }) => choice === 'first')).toBe(false);
    expect(more.filter(({ choice }) => choice === 'choice 9')).toHaveLength(2);
  });

  it('leaves half to the rivals for the same letters, and all to others; how often is counted', () => {
    const learned = [
      ['tq', 'a'],
      ['tq', 'a'],
      ['t', 'a'],
      ['tq', 'b'],
    ].reduce<LearnedChoice[]>(
      (before, [letters = '', choice = '']) => learn(before, { letters, choice, at: day(0) }),
      [],
    );
    expect(learned.map(({ letters, choice, times, weight }) => [letters, choice, times, weight])).toEqual([
      ['tq', 'a', 2, 1],
      ['t', 'a', 1, 1],
      ['tq', 'b', 1, 1],
    ]);
    expect(LEFT_TO_RIVALS).toBe(0.5);
  });

  it('tells for letters what was learned for them, and half of what was for longer and shorter ones', () => {
    const learned = [
      ['tq', 'a'],
      ['tq', 'a'],
      ['t', 'a'],
      ['tqu', 'b'],
      ['x', 'c'],
    ].reduce<LearnedChoice[]>(
      (before, [letters = '', choice = '']) => learn(before, { letters, choice, at: day(0) }),
      [],
    );
    const lessons = lessonsFor('tq', learned, day(14));
    expect([...lessons.keys()]).toEqual(['a', 'b']);
    // By hand: (2 + 1/2) / 2 after one half-life, and 1/2 / 2.
    expect(lessons.get('a')).toMatchObject({ letters: 'tq', times: 2 });
    expect(lessons.get('a')?.strength).toBeCloseTo(1.25, 12);
    expect(lessons.get('b')?.strength).toBeCloseTo(0.25, 12);
    expect(lessonsFor('t', learned, day(0)).get('a')).toMatchObject({ strength: 2, times: 2 });
  });

  it('is listed by its strength now', () => {
    const old = { letters: 'a', choice: 'old', times: 3, weight: 3, at: day(0) };
    const fresh = { letters: 'b', choice: 'new', times: 1, weight: 1, at: day(28) };
    expect(strongest([old, fresh], day(28))).toEqual([fresh, old]);
    expect(strongest([old, fresh], day(0))).toEqual([old, fresh]);
  });

  it('can be undone, for one choice or all', () => {
    const learned = ['a', 'b'].reduce(
      (before, choice) => learn(before, { letters: 'l', choice, at: day(0) }),
      learn([], { letters: 'm', choice: 'a', at: day(0) }),
    );
    expect(forget(learned, 'a').map(({ choice }) => choice)).toEqual(['b']);
    expect(forget(learned, null)).toEqual([]);
  });
});
