import { describe, expect, it } from 'vitest';
import type { Route } from './cheapest-way';
import { afterSwitch, COACH_RESTS_MS, costOf, MOST_SAID, NOTHING_SAID, type Said } from './coach';
import { PUBLISHED } from './operators';
import type { SwitchFacts } from './way';

const PLACE: Route = {
  way: 'place',
  strokes: [{ does: { action: 'place', argument: '3' } }],
  keys: 2,
  looks: 0,
  seconds: 0.4,
};
const slow: SwitchFacts = { way: 'step', took: 2_000, presses: 3 };
const look = (said: Said, more: Partial<Parameters<typeof afterSwitch>[1]> = {}, now = 0) =>
  afterSwitch(said, { to: 'c1', done: slow, cheapest: PLACE, ...more }, PUBLISHED, now);

describe('the coach', () => {
  it('reckons what was done as it reckons the cheapest way: the hold key, its keys, a look', () => {
    expect(costOf(slow, PUBLISHED)).toBeCloseTo(4 * 0.2 + 1.35, 10);
    expect(costOf({ way: 'place', presses: 1 }, PUBLISHED)).toBeCloseTo(PLACE.seconds, 10);
  });

  it('says something of a switch that cost twice the cheapest, and nothing of one that cost less', () => {
    const twice = { ...PLACE, seconds: costOf(slow, PUBLISHED) / 2 };
    expect(look(NOTHING_SAID, { cheapest: twice })).not.toBe(NOTHING_SAID);
    expect(look(NOTHING_SAID, { cheapest: { ...twice, seconds: twice.seconds + 0.01 } })).toBe(NOTHING_SAID);
  });

  it('never says the same twice, but something else of the same window', () => {
    const once = look(NOTHING_SAID);
    expect(look(once, {}, COACH_RESTS_MS)).toBe(once);
    const other = { ...PLACE, strokes: [{ does: { action: 'place', argument: '4' } }] };
    expect(look(once, { cheapest: other }, COACH_RESTS_MS).words).toHaveLength(2);
    expect(look(once, { to: 'd1' }, COACH_RESTS_MS).words).toHaveLength(2);
  });

  it('rests for ten minutes', () => {
    const once = look(NOTHING_SAID);
    expect(look(once, { to: 'd1' }, COACH_RESTS_MS - 1)).toBe(once);
    expect(look(once, { to: 'd1' }, COACH_RESTS_MS).last).toBe(COACH_RESTS_MS);
  });

  it('says nothing of the pointer, of what came by itself, and where no way is known', () => {
    for (const way of ['pointer', 'other', 'page', 'host'] as const)
      expect(look(NOTHING_SAID, { done: { ...slow, way } })).toBe(NOTHING_SAID);
    expect(look(NOTHING_SAID, { cheapest: null })).toBe(NOTHING_SAID);
  });

  it('forgets what it said longest ago', () => {
    let said = NOTHING_SAID;
    for (let n = 0; n <= MOST_SAID; n += 1) said = look(said, { to: `w${n}` }, n * COACH_RESTS_MS);
    expect(said.words).toHaveLength(MOST_SAID);
    expect(said.words[0]).toContain('w1');
  });
});
