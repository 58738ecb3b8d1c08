/** The rim of the surface: where it is, what it can do, and when a pointer's rest counts. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aroundOf } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { RIM_PARTS, rimOf, type RimPart } from '../slices/settings/state';
import { AWAY, dueAt, REST_MS, restAfter } from './rest';
import { rimActions, rimPartAt } from './rim';

describe('the parts of the rim', () => {
  const SURFACE = { width: 1200, height: 700 };
  it.each<[RimPart | null, number, number]>([
    ['topLeft', 0, 0],
    ['topLeft', 23, 23],
    ['top', 24, 0],
    ['top', 600, 2],
    [null, 600, 3],
    [null, 24, 24],
    ['topRight', 1199, 0],
    ['topRight', 1176, 23],
    ['top', 1175, 0],
    ['left', 0, 350],
    ['left', 2, 350],
    [null, 3, 350],
    ['right', 1197, 350],
    [null, 1196, 350],
    ['bottomLeft', 0, 676],
    ['left', 0, 675],
    ['bottom', 600, 697],
    [null, 600, 696],
    ['bottomRight', 1199, 699],
    [null, -1, 350],
    [null, 1200, 350],
    [null, 600, -1],
    [null, 600, 700],
  ])('%s is at %d, %d', (part, x, y) => expect(rimPartAt(SURFACE, x, y)).toBe(part));

  it('are told in their own order, however they were kept', () => {
    const settings = { holdKey: 'Alt', holding: true, theme: 'day' } as const;
    expect(rimOf(settings)).toEqual({});
    expect(Object.keys(rimOf({ ...settings, rim: { bottom: 'survey', topLeft: 'sweep' } }))).toEqual([
      'topLeft',
      'bottom',
    ]);
  });

  it('can be given what needs no choice and ends nothing', () => {
    const session = sessionOf('a: a1 | b: b1');
    const { registry } = aroundOf(session);
    const offered = rimActions(registry, session).map(({ id }) => id);
    expect(offered).toContain('survey');
    expect(offered).toContain('sweep');
    for (const id of ['close', 'quit', 'end-now', 'go-to-place']) {
      expect(registry.has(id)).toBe(true);
      expect(offered).not.toContain(id);
    }
  });
});

describe('a rest', () => {
  it('counts after its time, once, and again only after the pointer was elsewhere', () => {
    const there = restAfter(AWAY, 'top', false, 100);
    expect(dueAt(there, 100 + REST_MS - 1)).toBeNull();
    const due = dueAt(restAfter(there, 'top', false, 400), 100 + REST_MS);
    expect(due?.part).toBe('top');
    const after = restAfter(due?.rest ?? AWAY, 'top', false, 2000);
    expect(dueAt(after, 9000)).toBeNull();
    const back = restAfter(restAfter(after, null, false, 2100), 'top', false, 2200);
    expect(dueAt(back, 2200 + REST_MS)?.part).toBe('top');
  });

  it('begins anew at another part', () => {
    const there = restAfter(restAfter(AWAY, 'top', false, 0), 'topLeft', false, REST_MS - 1);
    expect(dueAt(there, REST_MS)).toBeNull();
    expect(dueAt(there, 2 * REST_MS - 1)?.part).toBe('topLeft');
  });

  it('never counts where a button was down, or where the pointer did not stay for its time', () => {
    const step = fc.record({
      part: fc.option(fc.constantFrom(...RIM_PARTS), { freq: 2 }),
      pressed: fc.boolean(),
      after: fc.integer({ min: 0, max: REST_MS }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 20 }), (steps) => {
        let rest = AWAY;
        let now = 0;
        /** Reckoned from the steps alone: since when the pointer is at one part without a button down. */
        let stay: { part: RimPart | null; since: number; spoilt: boolean } = {
          part: null,
          since: 0,
          spoilt: true,
        };
        for (const { part, pressed, after } of steps) {
          now += after;
          rest = restAfter(rest, part, pressed, now);
          if (part !== stay.part) stay = { part, since: now, spoilt: part === null };
          if (pressed) stay.spoilt = true;
          const due = dueAt(rest, now);
          expect(due?.part ?? null).toBe(!stay.spoilt && now - stay.since >= REST_MS ? stay.part : null);
          if (due) {
            ({ rest } = due);
            stay.spoilt = true;
          }
        }
      }),
    );
  });
});
