import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Geometry } from '../model/geometry';
import { cascade } from './cascade';
import { exposedWindows } from './exposed';
import { layersFor } from './layers';
import { folded, splitTitles } from './similar-titles';
import { scrollToSpan, visibleSlice } from './slice';

const SURFACE = { width: 100, height: 70 };
const CELL = 16;
const anyGeometry = fc.record({
  x: fc.integer({ min: -20, max: 100 }),
  y: fc.integer({ min: -20, max: 70 }),
  width: fc.integer({ min: 1, max: 90 }),
  height: fc.integer({ min: 1, max: 70 }),
});

/** The textbook painter's algorithm: paint every pixel from the bottom up and see who is left, and in which cells. */
function painted(windows: readonly { geometry: Geometry }[]): Map<{ geometry: Geometry }, Set<string>> {
  const left = new Map<{ geometry: Geometry }, Set<string>>();
  for (let y = 0; y < SURFACE.height; y += 1)
    for (let x = 0; x < SURFACE.width; x += 1) {
      const top = windows.findLast(
        ({ geometry: g }) => x >= g.x && x < g.x + g.width && y >= g.y && y < g.y + g.height,
      );
      const cell = `${Math.floor(x / CELL)} ${Math.floor(y / CELL)}`;
      if (top) left.set(top, (left.get(top) ?? new Set()).add(cell));
    }
  return left;
}

describe('exposed windows', () => {
  it('are all those that the painter’s algorithm leaves a pixel of', () => {
    fc.assert(
      fc.property(fc.array(anyGeometry, { maxLength: 14 }), (geometries) => {
        const windows = geometries.map((geometry) => ({ geometry }));
        const exposed = exposedWindows(windows, SURFACE);
        for (const window of painted(windows).keys()) expect(exposed.has(window)).toBe(true);
      }),
    );
  });

  it('leave out what lies wholly under one other window, wherever its edges are', () => {
    fc.assert(
      fc.property(anyGeometry, fc.array(anyGeometry, { maxLength: 6 }), (geometry, others) => {
        const [under, over] = [{ geometry }, { geometry }];
        const pile = [under, ...others.map((other) => ({ geometry: other })), over];
        expect(exposedWindows(pile, SURFACE).has(under)).toBe(false);
      }),
    );
  });

  it('are just those when every edge lies on the grid', () => {
    const onGrid = anyGeometry.map(({ x, y, width, height }) => ({
      x: Math.round(x / CELL) * CELL,
      y: Math.round(y / CELL) * CELL,
      width: Math.ceil(width / CELL) * CELL,
      height: Math.ceil(height / CELL) * CELL,
    }));
    fc.assert(
      fc.property(fc.array(onGrid, { maxLength: 14 }), (geometries) => {
        const windows = geometries.map((geometry) => ({ geometry }));
        const left = painted(windows);
        // Where the surface's edge cuts a cell, what is left of it counts as a whole one.
        const cells = [...left].map(([window, pixels]): [object, number] => [window, pixels.size]);
        expect(exposedWindows(windows, SURFACE)).toEqual(new Map(cells));
      }),
    );
  });
});

describe('layers', () => {
  const ids = fc.uniqueArray(fc.integer({ min: 0, max: 40 }).map(String), { minLength: 1 });

  it('rise with the stacking, whatever they were before', () => {
    fc.assert(
      fc.property(ids, ids, (before, after) => {
        const numbers = [...layersFor(after, layersFor(before, new Map())).values()];
        expect(numbers).toEqual([...numbers].sort((a, b) => a - b));
        expect(new Set(numbers).size).toBe(after.length);
      }),
    );
  });

  it('change for the raised window alone', () => {
    const before = layersFor(['a', 'b', 'c', 'd'], new Map());
    const after = layersFor(['a', 'c', 'd', 'b'], before);
    expect([...after].filter(([id, layer]) => before.get(id) !== layer).map(([id]) => id)).toEqual(['b']);
  });
});

describe('the visible slice', () => {
  it('holds every line that shows, and not many more', () => {
    const list = fc.record({
      count: fc.integer({ min: 1, max: 400 }),
      tall: fc.integer({ min: -1, max: 399 }),
      scroll: fc.integer({ min: 0, max: 8_000 }),
    });
    fc.assert(
      fc.property(list, ({ count, tall: anyTall, scroll }) => {
        const tall = Math.min(anyTall, count - 1);
        const [lineHeight, tallHeight, viewHeight] = [20, 90, 300];
        const total = count * lineHeight + (tall >= 0 ? tallHeight - lineHeight : 0);
        const scrollTop = Math.min(scroll, Math.max(0, total - viewHeight));
        const { from, to } = visibleSlice({
          count,
          lineHeight,
          tall,
          tallHeight,
          scrollTop,
          viewHeight,
          spare: 2,
        });
        let y = 0;
        for (let line = 0; line < count; line += 1) {
          const height = line === tall ? tallHeight : lineHeight;
          if (y < scrollTop + viewHeight && y + height > scrollTop) {
            expect(line).toBeGreaterThanOrEqual(from);
            expect(line).toBeLessThan(to);
          }
          y += height;
        }
        expect(to - from).toBeLessThanOrEqual(viewHeight / lineHeight + 6);
      }),
    );
  });

  it('scrolls no further than it must', () => {
    expect(scrollToSpan(100, 200, 150, 180)).toBe(100);
    expect(scrollToSpan(100, 200, 40, 60)).toBe(40);
    expect(scrollToSpan(100, 200, 290, 340)).toBe(140);
    expect(scrollToSpan(100, 200, 50, 400)).toBe(50);
  });
});

describe('the cascade', () => {
  it('shows a title line of each new window and comes round again', () => {
    expect(cascade(1).y - cascade(0).y).toBeGreaterThanOrEqual(30);
    expect(cascade(8)).toEqual(cascade(0));
  });
});

describe('similar titles', () => {
  it('are split where they begin to differ, at a word', () => {
    const titles = ['Berth plan 2026 — week 47', 'Berth plan 2026 — week 48', 'Inbox'];
    expect(splitTitles(titles)).toEqual([
      { shared: 'Berth plan 2026 — week ', own: '47' },
      { shared: 'Berth plan 2026 — week ', own: '48' },
      { shared: '', own: 'Inbox' },
    ]);
  });

  it('fold the beginning that they share to its last words, which stand next to what differs', () => {
    expect(folded('Berth plan, harbour year 2026, week ', 28)).toBe('… harbour year 2026, week');
    expect(folded('Berth plan, week ', 28)).toBe('Berth plan, week');
    expect(folded('Unterkielfreiheitsberechnungen ', 12)).toBe('… rechnungen');
  });

  it('always keep something of their own, and nothing gets lost', () => {
    const word = fc.constantFrom('plan', 'of', 'the', 'harbour', 'office', 'north', 'a');
    const title = fc.array(word, { minLength: 1, maxLength: 8 }).map((words) => words.join(' '));
    fc.assert(
      fc.property(fc.array(title, { maxLength: 12 }), (titles) => {
        for (const [index, { shared, own }] of splitTitles(titles).entries()) {
          expect(shared + own).toBe(titles[index]);
          expect(own).not.toBe('');
        }
      }),
    );
  });
});
