/** Arrow keys by position: they reach everything and come back. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Random } from '../../../../testing/random';
import { runs } from '../../../../testing/runs';
import { MIXES, SCREENS, windowSet } from '../../../../testing/survey-sets';
import type { Geometry } from '../model/geometry';
import { arrowKeys, cursorAt, type Cursor, type Direction } from './arrow-keys';
import { layout } from './layout';
import { sheetOn } from './sheet';

const KEYS: readonly Direction[] = ['left', 'right', 'up', 'down'];
const BACK = { left: 'right', right: 'left', up: 'down', down: 'up' } as const;

/** Boxes anywhere, none of which overlap. */
function scattered(seed: number, count: number): Geometry[] {
  const random = new Random(seed);
  const boxes: Geometry[] = [];
  for (let tries = 0; boxes.length < count && tries < 4_000; tries += 1) {
    const box = {
      x: random.share() * 900,
      y: random.share() * 700,
      width: 20 + random.share() * 160,
      height: 15 + random.share() * 120,
    };
    const apart = boxes.every(
      (o) =>
        box.x >= o.x + o.width ||
        o.x >= box.x + box.width ||
        box.y >= o.y + o.height ||
        o.y >= box.y + box.height,
    );
    if (apart) boxes.push(box);
  }
  return boxes;
}

/** Everything that is reached from one, by every state that the cursor can be in. */
function reached(boxes: readonly Geometry[], start: number): Set<number> {
  const press = arrowKeys(boxes);
  const seen = new Map<string, Cursor>();
  const todo = [cursorAt(start)];
  for (let cursor = todo.pop(); cursor; cursor = todo.pop()) {
    const name = JSON.stringify(cursor);
    if (seen.has(name)) continue;
    seen.set(name, cursor);
    for (const key of KEYS) todo.push(press(cursor, key));
  }
  return new Set([...seen.values()].map(({ at }) => at));
}

const anyBoxes = fc.record({ seed: fc.nat(1e6), count: fc.integer({ min: 1, max: 24 }) });

describe('arrow keys', () => {
  it('reach every box from every other', () => {
    fc.assert(
      fc.property(anyBoxes, ({ seed, count }) => {
        const boxes = scattered(seed, count);
        for (const start of boxes.keys()) expect(reached(boxes, start).size).toBe(boxes.length);
      }),
      { numRuns: runs(100) },
    );
  });

  it('reach every picture of every layout', () => {
    fc.assert(
      fc.property(
        fc.nat(1_000),
        fc.integer({ min: 1, max: 40 }),
        fc.constantFrom(...MIXES),
        fc.constantFrom(...SCREENS),
        (seed, count, mix, screen) => {
          const laid = layout(windowSet(seed, count, screen, mix), sheetOn(screen), 'place');
          const boxes = (laid?.pictures ?? []).map(({ cell }) => cell);
          if (boxes.length > 0) expect(reached(boxes, 0).size).toBe(boxes.length);
        },
      ),
      { numRuns: runs(100) },
    );
  });

  it('come back: a key and its opposite, and runs across the bands of any length', () => {
    const length = fc.integer({ min: 1, max: 5 });
    fc.assert(
      fc.property(anyBoxes, fc.nat(), fc.constantFrom(...KEYS), length, ({ seed, count }, at, key, run) => {
        const boxes = scattered(seed, count);
        const press = arrowKeys(boxes);
        const start = cursorAt(at % boxes.length);
        const there = press(start, key);
        if (there.at !== start.at) expect(press(there, BACK[key]).at).toBe(start.at);
        const trail = [start];
        for (let step = 0; step < run; step += 1) {
          const next = press(trail.at(-1) ?? start, 'down');
          if (next !== trail.at(-1)) trail.push(next);
        }
        let cursor = trail.at(-1) ?? start;
        for (const earlier of trail.slice(0, -1).toReversed()) {
          cursor = press(cursor, 'up');
          expect(cursor.at).toBe(earlier.at);
        }
      }),
      { numRuns: runs(300) },
    );
  });

  it('go where they point along a band, and at its end to the nearest box that lies wholly beyond, by brute force', () => {
    fc.assert(
      fc.property(anyBoxes, fc.nat(), ({ seed, count }, at) => {
        const boxes = scattered(seed, count);
        const from = at % boxes.length;
        const here = boxes[from];
        const to = arrowKeys(boxes)(cursorAt(from), 'right').at;
        const there = boxes[to];
        if (!here || !there || to === from) {
          // Nothing lies wholly beyond.
          expect(boxes.every((box) => here !== undefined && box.x < here.x + here.width)).toBe(true);
          return;
        }
        expect(there.x).toBeGreaterThanOrEqual(here.x + here.width);
        const band = Math.max(here.y, there.y) < Math.min(here.y + here.height, there.y + there.height);
        if (band) return;
        // The distance of boxes as in CSS Spatial Navigation Level 1 (W3C): between their nearest points.
        const away = (box: Geometry) =>
          Math.hypot(
            box.x - here.x - here.width,
            Math.max(0, box.y - here.y - here.height, here.y - box.y - box.height),
          );
        const beyond = boxes.filter((box) => box.x >= here.x + here.width);
        expect(away(there)).toBeCloseTo(Math.min(...beyond.map(away)));
      }),
      { numRuns: runs(300) },
    );
  });
});
