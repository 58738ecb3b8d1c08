import { describe, expect, it } from 'vitest';
import { afterTry, nextSkill, retrievability, type Outcome, type Schedule } from './schedule';

const START = Date.parse('2022-11-29T12:30:00.000Z');
const MINUTE = 60_000;
const DAY = 86_400_000;

/** One try after the other, each when it is due. */
function tries(outcomes: readonly Outcome[]): Schedule[] {
  const schedules: Schedule[] = [];
  for (const outcome of outcomes) {
    const before = schedules.at(-1) ?? null;
    schedules.push(afterTry(before, outcome, before ? Date.parse(before.due) : START));
  }
  return schedules;
}

describe('when a skill comes again', () => {
  // The worked example that the implementations of FSRS 6 share (open-spaced-repetition, py-fsrs: test_review_card; from
  // memory): thirteen reviews of one card, each when it is due, without fuzz.
  it('is what the published example of the algorithm says', () => {
    const outcomes: Outcome[] = [
      ...Array<Outcome>(6).fill('good'),
      'missed',
      'missed',
      ...Array<Outcome>(5).fill('good'),
    ];
    const days = tries(outcomes).map(({ scheduled_days }) => scheduled_days);
    expect(days).toEqual([0, 2, 11, 46, 163, 498, 0, 0, 2, 4, 7, 12, 21]);
  });

  it('is sooner the worse it went, and within the round after a miss', () => {
    const due = (outcome: Outcome) => Date.parse(afterTry(null, outcome, START).due) - START;
    const [missed, slow, good, quick] = (['missed', 'slow', 'good', 'quick'] as const).map(due);
    expect(missed).toBe(MINUTE);
    expect([slow, good].map((ms) => ms ?? 0).every((ms) => ms > MINUTE && ms < 15 * MINUTE)).toBe(true);
    expect(quick).toBeGreaterThan(DAY);
  });

  it('is kept as texts, and goes on from them', () => {
    const kept = JSON.parse(JSON.stringify(afterTry(null, 'good', START))) as Schedule;
    expect(afterTry(kept, 'good', START + 10 * MINUTE)).toEqual(tries(['good', 'good'])[1]);
    expect(retrievability(kept, START)).toBe(1);
    expect(retrievability(kept, START + 30 * DAY)).toBeLessThan(0.9);
  });
});

describe('the next skill', () => {
  const due = (ms: number): Schedule => ({
    ...afterTry(null, 'good', START),
    due: new Date(START + ms).toISOString(),
  });
  const next = (known: Readonly<Record<string, Schedule>>, before: string | null = null) =>
    nextSkill(['a', 'b', 'c'], known, before, START);

  it('is what has been due longest, then what is new in its order, then what is due soonest', () => {
    expect(next({ a: due(-1), b: due(-2) })).toBe('b');
    expect(next({ a: due(1) })).toBe('b');
    expect(next({ a: due(3), b: due(1), c: due(2) })).toBe('b');
    expect(nextSkill([], {}, null, START)).toBeNull();
  });

  it('is another one than before, if there is any', () => {
    expect(next({ b: due(-2), a: due(-1) }, 'b')).toBe('a');
    expect(nextSkill(['a'], {}, 'a', START)).toBe('a');
  });
});
