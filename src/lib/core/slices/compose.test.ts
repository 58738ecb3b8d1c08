import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { busySession, commandFrom, wishFrom, wishSeeds } from '../../../../testing/wishes';
import { runs } from '../../../../testing/runs';
import { decide } from '../host/decide';
import { reduce, SLICES, type SessionEvent } from '../session/session';
import { compose, type AnySlice } from './compose';
import type { Slice } from './slice';

const slice = (name: string, field: string, on: AnySlice['on'] = {}): AnySlice =>
  ({ name, initial: { [field]: 0 }, on }) satisfies Slice<object, object, object, object>;

describe('composed slices', () => {
  it('make the same session in whatever order they are listed', () => {
    const order = fc.shuffledSubarray([...SLICES] as AnySlice[], { minLength: SLICES.length });
    fc.assert(
      fc.property(order, wishSeeds(1, 40), (slices, seeds) => {
        const shuffled = compose(slices) as { reduce(session: object, event: object): object };
        let session = busySession();
        for (const [n, seed] of seeds.entries()) {
          const wish = wishFrom(seed, session);
          const decision = wish && decide(session, commandFrom(wish, n));
          for (const event of decision?.ok ? decision.events : []) {
            const after = reduce(session, event);
            // Whether the front window can be seen is the session's rule, after all of them.
            expect({ ...shuffled.reduce(session, event), front: after.front }).toEqual(after);
            session = after;
          }
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('show every slice the session before the event', () => {
    const counter = (name: string, field: string, other: string) =>
      slice(name, field, {
        tick: (before: Record<string, number>) => ({ [field]: (before[other] ?? 0) + 1 }),
      });
    const { reduce: both } = compose([counter('a', 'x', 'y'), counter('b', 'y', 'x')]) as never as {
      reduce: (session: object, event: object) => object;
    };
    expect(both({ x: 0, y: 10 }, { type: 'tick' })).toEqual({ x: 11, y: 1 });
  });

  it('keep the session itself where nothing changes', () => {
    const session = busySession();
    const event: SessionEvent = { type: 'settings-changed', settings: session.settings };
    expect(reduce(session, event)).toBe(session);
  });

  it('own their fields: two owners, and a hand in what is another’s, are refused', () => {
    expect(() => compose([slice('a', 'x'), slice('b', 'x')])).toThrow(
      /Two slices own 'x'; the second is 'b'/,
    );
    const thief = slice('thief', 'x', { tick: () => ({ y: 1 }) });
    const { reduce: stolen } = compose([thief, slice('b', 'y')]) as never as {
      reduce: (session: object, event: object) => object;
    };
    expect(() => stolen({ x: 0, y: 0 }, { type: 'tick' })).toThrow(/'thief' changes 'y'/);
  });

  it('fit together, or the compiler says what is missing', () => {
    const reads = { name: 'a', initial: {}, on: {} } as Slice<object, object, object, { nowhere: string }>;
    // @ts-expect-error -- no slice owns the field 'nowhere'
    compose([reads]);
    const hears = { name: 'b', initial: {}, on: { gone: () => ({}) } } as Slice<
      object,
      object,
      { gone: object },
      object
    >;
    // @ts-expect-error -- no slice owns the event 'gone'
    compose([hears]);
    expect(compose([]).empty).toEqual({});
  });
});
