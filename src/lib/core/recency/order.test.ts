import fc from 'fast-check';
import { LRUCache } from 'lru-cache';
import { describe, expect, it } from 'vitest';
import { toEnd, toHead, without } from './order';

describe('an order of recent use', () => {
  it('moves what is used to the head and leaves the rest as it was', () => {
    expect(toHead(['a', 'b', 'c'], 'c')).toEqual(['c', 'a', 'b']);
    expect(toHead(['a', 'b'], 'd')).toEqual(['d', 'a', 'b']);
  });

  it('keeps its identity when nothing changes', () => {
    const order = ['a', 'b'];
    expect(toHead(order, 'a')).toBe(order);
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
        let order: readonly string[] = [];
        for (const { what, id } of actions) {
          if (what === 'use') {
            order = toHead(order, id);
            cache.set(id, true);
          } else {
            order = without(order, id);
            cache.delete(id);
          }
          expect(order).toEqual([...cache.keys()]);
        }
      }),
      { numRuns: 40 },
    );
  });
});
