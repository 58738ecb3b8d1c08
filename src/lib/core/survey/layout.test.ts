/** The survey’s layout: what every layout keeps to, and how it stays as it was. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../../testing/runs';
import { MIXES, SCREENS, windowSet } from '../../../../testing/survey-sets';
import { captionList, captionRoom, formFor } from './form';
import { layoutNear } from './keep';
import { layout } from './layout';
import { judge } from './objective';
import { breakRows } from './row-breaks';
import { sheetOn, SURVEY_ORDERS, type Laid, type Sheet, type SurveyWindow } from './sheet';
import { sizeLaw, unitBound } from './size-law';
import { spread } from './spread';

const anySet = fc
  .record({
    seed: fc.nat(100_000),
    count: fc.integer({ min: 0, max: 40 }),
    screen: fc.constantFrom(...SCREENS),
    mix: fc.constantFrom(...MIXES),
    order: fc.constantFrom(...SURVEY_ORDERS),
  })
  .map(({ seed, count, screen, mix, order }) => ({
    windows: windowSet(seed, count, screen, mix),
    sheet: sheetOn(screen),
    order,
  }));

/** Everything that is wrong with a layout; an empty list for a sound one. */
function faultsOf(windows: readonly SurveyWindow[], sheet: Sheet, { pictures }: Laid): string[] {
  const faults: string[] = [];
  const must = (holds: boolean, what: string) => void (holds || faults.push(what));
  const near = 1e-6;
  must(pictures.map(({ id }) => id).join() === windows.map(({ id }) => id).join(), 'all of them, in order');
  for (const [index, { id, cell, picture }] of pictures.entries()) {
    const { width = 1, height = 1 } = windows[index] ?? {};
    const scale = picture.width / width;
    must(scale > 0 && scale <= 1 + near, `${id} is no larger than it is`);
    must(Math.abs(picture.height / (scale * height) - 1) < 0.01, `${id} keeps its shape`);
    must(cell.width >= Math.max(sheet.captionWidth, picture.width) - near, `${id} has a caption`);
    must(Math.abs(cell.height - picture.height - sheet.captionHeight) < near, `${id} has room for it`);
    must(Math.min(cell.x, cell.y) >= sheet.gap - near, `${id} is on the sheet`);
    must(cell.x + cell.width <= sheet.width - sheet.gap + near, `${id} is on the sheet at the right`);
    must(cell.y + cell.height <= sheet.height - sheet.gap + near, `${id} is on the sheet below`);
    for (const { id: other, cell: box } of pictures.slice(index + 1)) {
      const across = Math.max(box.x - cell.x - cell.width, cell.x - box.x - box.width);
      const down = Math.max(box.y - cell.y - cell.height, cell.y - box.y - box.height);
      must(Math.max(across, down) >= sheet.gap - near, `${id} keeps away from ${other}`);
    }
  }
  return faults;
}

describe('a layout', () => {
  it('keeps shapes, enlarges nothing, overlaps nowhere and stays on the sheet', () => {
    fc.assert(
      fc.property(anySet, ({ windows, sheet, order }) => {
        const laid = layout(windows, sheet, order);
        if (laid) expect(faultsOf(windows, sheet, laid)).toEqual([]);
        else expect(windows.length).toBeGreaterThan(20);
      }),
      { numRuns: runs(300) },
    );
  });

  it('is the same for the same windows, in whatever order they come', () => {
    fc.assert(
      fc.property(anySet, ({ windows, sheet, order }) => {
        const laid = layout(windows, sheet, order);
        const turned = layout(windows.toReversed(), sheet, order);
        expect(turned && { ...turned, pictures: turned.pictures.toReversed() }).toEqual(laid);
      }),
      { numRuns: runs(80) },
    );
  });

  it('reads in its order', () => {
    fc.assert(
      fc.property(anySet, ({ windows, sheet, order }) => {
        const byId = new Map(windows.map((window) => [window.id, window]));
        const rows = (layout(windows, sheet, order)?.rows ?? []).map((row) =>
          row.flatMap((id) => byId.get(id) ?? []),
        );
        if (rows.length === 0) return;
        const flat = rows.flat();
        if (order === 'title')
          expect(flat.map(({ title }) => title)).toEqual(windows.map(({ title }) => title).sort());
        if (order === 'recent') expect(flat.map(({ rank }) => rank)).toEqual(windows.map(({ rank }) => rank));
        if (order === 'application')
          expect(flat.map((one) => one.application)).toEqual(windows.map((one) => one.application).sort());
      }),
      { numRuns: runs(150) },
    );
  });

  it('by place keeps three quarters of who is left of whom and above whom, and more of some desks', () => {
    const kept = Array.from({ length: 80 }, (_, seed) => {
      const screen = SCREENS[seed % 3] ?? { width: 1280, height: 800 };
      const windows = windowSet(seed, 4 + (seed % 30), screen);
      const laid = layout(windows, sheetOn(screen), 'place');
      return laid ? judge(windows, sheetOn(screen), 'place')(laid.pictures).kept : 0;
    });
    expect(kept.reduce((sum, share) => sum + share, 0) / kept.length).toBeGreaterThan(0.75);
    expect(Math.min(...kept)).toBeGreaterThan(0.4);
  });

  it('is found wherever pictures are the form, and never exceeds the bound', () => {
    fc.assert(
      fc.property(anySet, ({ windows, sheet, order }) => {
        const laid = layout(windows, sheet, order);
        if (formFor(windows, sheet) === 'pictures') expect(laid).not.toBeNull();
        expect(laid?.unit ?? 0).toBeLessThanOrEqual(unitBound(windows, sheet, sizeLaw(windows, sheet)));
      }),
      { numRuns: runs(150) },
    );
  });

  it('of nothing is an empty one, and four windows of one size make two rows', () => {
    const sheet = sheetOn({ width: 1156, height: 726 });
    expect(layout([], sheet, 'place')).toEqual({ pictures: [], rows: [], unit: 0 });
    const four = [0, 1, 2, 3].map((n) => ({
      id: `w${n}`,
      application: 'a',
      title: `${n}`,
      rank: n,
      width: 560,
      height: 360,
      corner: { x: 100 + 34 * n, y: 50 + 34 * n },
    }));
    expect(layout(four, sheet, 'recent')?.rows.map((row) => row.length)).toEqual([2, 2]);
  });
});

describe('after a change', () => {
  it('a layout is sound, in its order, and the very same where nothing has changed', () => {
    fc.assert(
      fc.property(
        anySet,
        fc.nat(),
        fc.constantFrom('add', 'remove', 'retitle', 'none'),
        (set, at, change) => {
          const { windows, sheet, order } = set;
          const gone = at % Math.max(1, windows.length);
          const without = windows.filter((_, index) => index !== gone);
          const retitled = windows.map((one, index) => (index === gone ? { ...one, title: 'A' } : one));
          const previous = layout(change === 'add' ? without : windows, sheet, order);
          const now = change === 'remove' ? without : change === 'retitle' ? retitled : windows;
          const laid = previous && previous.rows.length > 0 ? layoutNear(now, sheet, order, previous) : null;
          if (!laid || !previous) return;
          expect(faultsOf(now, sheet, laid)).toEqual([]);
          if (order === 'title') {
            const titles = new Map(now.map(({ id, title }) => [id, title]));
            expect(laid.rows.flat().map((id) => titles.get(id))).toEqual(
              now.map(({ title }) => title).sort(),
            );
          }
          if (change !== 'none') return;
          for (const [index, { cell }] of laid.pictures.entries()) {
            expect(cell.x).toBeCloseTo(previous.pictures[index]?.cell.x ?? 0, 6);
            expect(cell.y).toBeCloseTo(previous.pictures[index]?.cell.y ?? 0, 6);
          }
        },
      ),
      { numRuns: runs(300) },
    );
  });

  it('nearly all pictures stay at rest when one of them goes', () => {
    let [rest, all] = [0, 0];
    for (let seed = 0; seed < 60; seed += 1) {
      const screen = SCREENS[seed % 3] ?? { width: 1280, height: 800 };
      const windows = windowSet(seed, 8 + (seed % 20), screen);
      const sheet = sheetOn(screen);
      const before = layout(windows, sheet, 'place');
      const left = windows.slice(1);
      const after = before && layoutNear(left, sheet, 'place', before);
      for (const { id, cell } of after?.pictures ?? []) {
        const was = before?.pictures.find((one) => one.id === id)?.cell;
        all += 1;
        if (was && Math.hypot(was.x - cell.x, was.y - cell.y) < 1) rest += 1;
      }
    }
    expect(rest / all).toBeGreaterThanOrEqual(0.95);
  });
});

describe('the parts of the algorithm', () => {
  it('break rows as low as the best of all ways to break them', () => {
    const side = fc.integer({ min: 1, max: 20 });
    fc.assert(
      fc.property(fc.array(fc.tuple(side, side), { minLength: 1, maxLength: 9 }), (cells) => {
        const best = (from: number): number => {
          if (from === cells.length) return 0;
          let [length, depth, least] = [-1, 0, Infinity];
          for (let end = from; end < cells.length; end += 1) {
            length += (cells[end]?.[0] ?? 0) + 1;
            depth = Math.max(depth, cells[end]?.[1] ?? 0);
            if (length > 30) break;
            least = Math.min(least, depth + 1 + best(end + 1));
          }
          return least;
        };
        const [widths, heights] = [0, 1].map((at) => Float64Array.from(cells, (cell) => cell[at] ?? 0));
        const taste = { weight: 0, whole: new Uint8Array(cells.length), wished: null };
        const room = { width: 30, height: 100 };
        const none = new Float64Array();
        expect(breakRows(widths ?? none, heights ?? none, 1, room, taste)?.height).toBe(best(0) - 1);
        expect(breakRows(Float64Array.of(31), Float64Array.of(1), 1, room, taste)).toBeNull();
      }),
      { numRuns: runs(100) },
    );
  });

  it('spread pieces so that none is bettered by moving it a little', () => {
    const piece = fc.record({
      length: fc.integer({ min: 1, max: 10 }),
      wish: fc.integer({ min: -20, max: 120 }),
    });
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 8 }), (pieces) => {
        const lengths = pieces.map(({ length }) => length);
        const wishes = pieces.map(({ wish }) => wish);
        const starts = spread(lengths, wishes, 1, 100);
        const fits = (all: readonly number[]) =>
          all.every((start, at) => {
            const end = at > 0 ? (all[at - 1] ?? 0) + (lengths[at - 1] ?? 0) + 1 : 0;
            return start >= end - 1e-9 && start + (lengths[at] ?? 0) <= 100 + 1e-9;
          });
        const cost = (all: readonly number[]) =>
          all.reduce((sum, start, at) => sum + (start - (wishes[at] ?? 0)) ** 2, 0);
        expect(fits(starts)).toBe(true);
        for (let from = 0; from < pieces.length; from += 1)
          for (let to = from; to < pieces.length; to += 1)
            for (const by of [-0.5, 0.5]) {
              const moved = starts.map((start, at) => (at >= from && at <= to ? start + by : start));
              if (fits(moved)) expect(cost(moved)).toBeGreaterThanOrEqual(cost(starts) - 1e-6);
            }
      }),
      { numRuns: runs(100) },
    );
  });

  it('are judged by the objective as it is written: all of it for a layout that is as it was', () => {
    const sheet = sheetOn({ width: 1_000, height: 800 });
    const window = (id: string, x: number) => ({
      id,
      application: 'a',
      title: id,
      rank: 0,
      width: 200,
      height: 100,
      corner: { x, y: 300 },
    });
    const windows = [window('a', 100), window('b', 600)];
    const picture = (x: number) => ({ x, y: 300, width: 200, height: 100 });
    const pictures = (xs: readonly number[]) =>
      windows.map(({ id }, n) => ({ id, cell: picture(xs[n] ?? 0), picture: picture(xs[n] ?? 0) }));
    const worth = judge(windows, sheet, 'place');
    expect(worth(pictures([100, 600]))).toMatchObject({ even: 1, kept: 1, moved: 0 });
    const same = worth(pictures([100, 600]));
    expect(same.total).toBeCloseTo(4 * same.legible + 2 * same.used + 1 + 2);
    const swapped = worth(pictures([600, 100]));
    expect(swapped).toMatchObject({ kept: 0 });
    expect(swapped.moved).toBeCloseTo(500 / Math.hypot(1_000, 800));
    expect(judge(windows, sheet, 'title')(pictures([600, 100])).total).toBeCloseTo(same.total - 2);
  });
});

describe('the form', () => {
  const sheet = sheetOn({ width: 1920, height: 1080 });

  it('goes from pictures to captions to families as windows become many, and its captions have room', () => {
    const forms = [4, 60, 200, 1_000].map((count) => formFor(windowSet(1, count, sheet), sheet));
    expect(forms).toEqual(['pictures', 'pictures', 'captions', 'families']);
    const last = captionList(captionRoom(sheet), sheet).at(-1);
    expect((last?.y ?? 0) + (last?.height ?? 0)).toBeLessThanOrEqual(sheet.height);
    expect((last?.x ?? 0) + (last?.width ?? 0)).toBeLessThanOrEqual(sheet.width);
  });

  it('does not turn over for one window more or less', () => {
    const forms = (before: 'pictures' | 'captions') =>
      Array.from({ length: 60 }, (_, n) => formFor(windowSet(7, 50 + n, sheet), sheet, before));
    const first = (before: 'pictures' | 'captions') => forms(before).indexOf('captions');
    // What shows pictures keeps them longer than it takes to get them back.
    expect(first('pictures')).toBeGreaterThan(first('captions'));
  });
});
