import fc from 'fast-check';
import { LRUCache } from 'lru-cache';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../../testing/runs';
import { idsOf, toEnd, toHead, usedAt, without, type Order } from './order';

const NOW = '2026-11-24T06:12:00.000Z';
const orderOf = (...ids: string[]) => ids.map((id) => ({ id, at: null }));

describe('an order of recent use', () => {
  it('moves what is used to the head, with the time, and leaves the rest as it was', () => {
    const order = toHead(orderOf('a', 'b', 'c'), 'c', NOW);
    expect(idsOf(order)).toEqual(['c', 'a', 'b']);
    expect([usedAt(order, 'c'), usedAt(order, 'a'), usedAt(order, 'z')]).toEqual([NOW, null, null]);
    expect(idsOf(toHead(orderOf('a', 'b'), 'd', NOW))).toEqual(['d', 'a', 'b']);
  });

  it('keeps its identity when nothing changes', () => {
    const order = orderOf('a', 'b');
    expect(toEnd(order, 'b')).toBe(order);
    expect(without(order, 'z')).toBe(order);
  });

  it('agrees with lru-cache over long random sequences', () => {
    // lru-cache (npm, a general-purpose library) keeps its keys most recently used first.
    const action = fc.record({
      what: fc.constantFrom('use', 'end'),
      id: fc.integer({ min: 0, max: 30 }).map((n) => `w${n}`),
    });
    fc.assert(
      fc.property(fc.array(action, { minLength: 200, maxLength: 1_000 }), (actions) => {
        const cache = new LRUCache<string, true>({ max: 1_000 });
        let order: Order = [];
        for (const { what, id } of actions) {
          if (what === 'use') {
            order = toHead(order, id, NOW);
            cache.set(id, true);
          } else {
            order = without(order, id);
            cache.delete(id);
          }
          expect(idsOf(order)).toEqual([...cache.keys()]);
        }
      }),
      { numRuns: runs(40) },
    );
  });
});
