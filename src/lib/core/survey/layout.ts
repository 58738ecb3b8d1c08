/** The layout of the survey: rows of pictures, as large as the sheet allows, roughly where the windows lie. */
import { arrange, grownScales, type Rows, type Wishes } from './arrange';
import { judge } from './objective';
import { breakRows } from './row-breaks';
import { sequence, type Sequence } from './sequence';
import {
  byText,
  cellOf,
  largest,
  roomOf,
  type Laid,
  type Sheet,
  type SurveyOrder,
  type SurveyWindow,
} from './sheet';
import { scaleAt, sizeLaw, unitBound, type SizeLaw } from './size-law';

/** How much windows of like heights may come together instead of where they lie. */
const ALIKE = [0, 0.5, 1];
/** How much size may be given for calm, as shares of the largest unit, and how much calm then weighs. */
const SHARES = [1, 0.95, 0.9];
const TASTES = [0, 0.1, 0.6];
/** Up to so many windows every way of breaking their order is looked at: a few windows have few rows, and one looks odd at once. */
const FEW = 6;
/** Beyond so many, and again beyond many more, fewer choices are. */
const SEVERAL = 30;
const MANY = 100;
/** A picture of less than this side, in CSS pixels, is none. */
const LEAST_UNIT = 8;
/** Pairs of windows that are looked at where choices are compared. */
const PAIRS = 1_000;

/**
 * The best layout by the objective (see `judge`) among a few: the largest unit at which the windows in their order can be
 * broken into rows that fit, found by halving with optimal breaks each time; then tastes that give a little size for calm. Of few
 * windows all ways to break them. Null where not even the captions fit. Equal windows give equal layouts, in whatever
 * order they come.
 */
export function layout(given: readonly SurveyWindow[], sheet: Sheet, order: SurveyOrder): Laid | null {
  if (given.length === 0) return { pictures: [], rows: [], unit: 0 };
  const windows = [...given].sort((a, b) => byText(a.id, b.id));
  const law = sizeLaw(windows, sheet);
  const room = roomOf(sheet);
  const bound = unitBound(windows, sheet, law);
  const worth = judge(windows, sheet, order, PAIRS);
  const seen = new Set<string>();
  let best: Laid | null = null;
  let most = -Infinity;
  const consider = (rows: Rows, unit: number, wished: Wishes | null) => {
    const cut = rows.join(' ');
    if (unit < LEAST_UNIT || seen.has(cut)) return;
    seen.add(cut);
    const scales = grownScales(windows, sheet, law, rows, unit);
    const pictures = arrange(windows, sheet, rows, scales, wished);
    const { total } = worth(pictures);
    if (total <= most) return;
    most = total;
    best = { pictures, unit, rows: rows.map((row) => row.map((index) => windows[index]?.id ?? '')) };
  };
  const choices = windows.length > MANY ? 2 : 3;
  const likes = order !== 'place' || windows.length > MANY ? 1 : windows.length > SEVERAL ? 2 : ALIKE.length;
  for (const alike of ALIKE.slice(0, likes)) {
    const wishes = sequence(windows, sheet, order, alike);
    const rowsAt = rowCutter(windows, sheet, order, wishes, law);
    const densest = largest(bound, (unit) => rowsAt(unit, 0) !== null, 10);
    const wished =
      order === 'place'
        ? { x: wishes.x.map((x) => x * room.width), y: wishes.y.map((y) => y * room.height) }
        : null;
    for (const share of SHARES.slice(0, choices))
      for (const weight of TASTES.slice(0, choices)) {
        const rows = rowsAt(densest * share, weight);
        if (rows) consider(rows, densest * share, wished);
      }
    if (windows.length <= FEW)
      for (const rows of everyCut(wishes, order))
        consider(
          rows,
          largest(bound, (unit) => fits(windows, sheet, law, rows, unit), 10),
          wished,
        );
  }
  return inOrderGiven(best, given);
}

function inOrderGiven(laid: Laid | null, given: readonly SurveyWindow[]): Laid | null {
  if (!laid) return null;
  const pictures = new Map(laid.pictures.map((picture) => [picture.id, picture]));
  return { ...laid, pictures: given.flatMap(({ id }) => pictures.get(id) ?? []) };
}

/** A function that cuts the windows into rows at a unit, with a weight of taste; null if they do not fit. */
function rowCutter(
  windows: readonly SurveyWindow[],
  sheet: Sheet,
  order: SurveyOrder,
  wishes: Sequence,
  law: SizeLaw,
): (unit: number, weight: number) => Rows | null {
  const room = roomOf(sheet);
  const { order: sorted, y, whole } = wishes;
  const wished = order === 'place' ? Float64Array.from(sorted, (index) => y[index] ?? 0) : null;
  const widths = new Float64Array(windows.length);
  const heights = new Float64Array(windows.length);
  return (unit, weight) => {
    for (const [at, index] of sorted.entries()) {
      const window = windows[index];
      if (!window) continue;
      const cell = cellOf(sheet, window, scaleAt(law, index, unit));
      widths[at] = cell.width;
      heights[at] = cell.height;
    }
    const breaks = breakRows(widths, heights, sheet.gap, room, { weight, whole, wished });
    if (!breaks || breaks.height > room.height) return null;
    return rowsOf(wishes, order, breaks.ends);
  };
}

/** Rows by where they end; by place each goes from left to right, and they from the top down. */
function rowsOf({ order: sorted, x, y }: Sequence, order: SurveyOrder, ends: readonly number[]): number[][] {
  const rows = ends.map((end, row) => sorted.slice(ends[row - 1] ?? 0, end));
  if (order !== 'place') return rows;
  for (const row of rows) row.sort((i, j) => (x[i] ?? 0) - (x[j] ?? 0));
  const down = (row: readonly number[]) => row.reduce((sum, index) => sum + (y[index] ?? 0), 0) / row.length;
  return rows.sort((a, b) => down(a) - down(b));
}

/** Every way to break a short sequence into rows. */
function everyCut(wishes: Sequence, order: SurveyOrder): number[][][] {
  const count = wishes.order.length;
  return Array.from({ length: 2 ** (count - 1) }, (_, cuts) => {
    const ends = Array.from({ length: count - 1 }, (__, at) => at + 1).filter((at) => (cuts >> (at - 1)) & 1);
    return rowsOf(wishes, order, [...ends, count]);
  });
}

function fits(
  windows: readonly SurveyWindow[],
  sheet: Sheet,
  law: SizeLaw,
  rows: Rows,
  unit: number,
): boolean {
  const room = roomOf(sheet);
  let height = -sheet.gap;
  for (const row of rows) {
    let [width, tall] = [-sheet.gap, 0];
    for (const index of row) {
      const window = windows[index];
      if (!window) continue;
      const cell = cellOf(sheet, window, scaleAt(law, index, unit));
      width += cell.width + sheet.gap;
      tall = Math.max(tall, cell.height);
    }
    if (width > room.width) return false;
    height += tall + sheet.gap;
  }
  return height <= room.height;
}
