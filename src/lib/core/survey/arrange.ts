/** Sizes and places once the rows are cut. */
import { cellOf, largest, lined, roomOf, type Picture, type Sheet, type SurveyWindow } from './sheet';
import { scaleAt, type SizeLaw } from './size-law';
import { spread } from './spread';

/** Rows of positions in the list of windows. */
export type Rows = readonly (readonly number[])[];

/** By how much a picture may exceed the law where rows leave room. */
const MOST_GROWTH = 1.35;
/** Halvings: growth is found to within a thousandth. */
const STEPS = 8;

/**
 * The scale of every window. What the rows leave empty goes to the pictures: all rows grow together as far as the sheet is high,
 * each as far as it is wide; then the low pictures of a row grow to its height. None gets smaller by it.
 */
export function grownScales(
  windows: readonly SurveyWindow[],
  sheet: Sheet,
  law: SizeLaw,
  rows: Rows,
  unit: number,
): Float64Array {
  const room = roomOf(sheet);
  const scales = new Float64Array(windows.length);
  /** Scales a row by a factor, no cell higher than `limit`; how wide and high it is then. */
  const scaled = (row: readonly number[], factor: number, limit = Infinity) => {
    let [width, height] = [-sheet.gap, 0];
    for (const index of row) {
      const window = windows[index];
      if (!window) continue;
      const most = (limit - sheet.captionHeight) / window.height;
      const scale = Math.min(scaleAt(law, index, unit * factor), most);
      scales[index] = scale;
      const cell = cellOf(sheet, window, scale);
      width += cell.width + sheet.gap;
      height = Math.max(height, cell.height);
    }
    return { width, height };
  };
  const fitsAcross = (row: readonly number[], factor: number, limit?: number) =>
    scaled(row, factor, limit).width <= room.width;
  const own = rows.map((row) => largest(MOST_GROWTH - 1, (more) => fitsAcross(row, 1 + more), STEPS));
  const growth = (at: number, shared: number) => 1 + Math.min(shared, own[at] ?? 0);
  const shared = largest(
    MOST_GROWTH - 1,
    (more) =>
      lined(
        rows.map((row, at) => scaled(row, growth(at, more)).height),
        sheet.gap,
      ) <= room.height,
    STEPS,
  );
  for (const [at, row] of rows.entries()) {
    const least = growth(at, shared);
    const { height } = scaled(row, least);
    const more = largest(MOST_GROWTH - least, (extra) => fitsAcross(row, least + extra, height), STEPS);
    scaled(row, least + more, height);
  }
  return scales;
}

/** Where middles would like to be, from the margins, by position in the list of windows. */
export interface Wishes {
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
}

/**
 * Puts sized pictures on the sheet row by row, as near to their wishes as the order of the rows allows; without wishes from
 * the left, the block in the middle. The captions of a row stand on one line.
 */
export function arrange(
  windows: readonly SurveyWindow[],
  sheet: Sheet,
  rows: Rows,
  scales: Float64Array,
  wishes: Wishes | null,
): Picture[] {
  const { gap } = sheet;
  const room = roomOf(sheet);
  const cells = rows.map((row) =>
    row.flatMap((index) => {
      const window = windows[index];
      return window ? [{ index, window, ...cellOf(sheet, window, scales[index] ?? 0) }] : [];
    }),
  );
  const heights = cells.map((row) => Math.max(...row.map(({ height }) => height)));
  const widths = cells.map((row) => row.map(({ width }) => width));
  const left = (room.width - Math.max(...widths.map((row) => lined(row, gap)))) / 2;
  const tops = wishes
    ? spread(
        heights,
        cells.map((row, at) => mean(row.map(({ index }) => wishes.y[index] ?? 0)) - (heights[at] ?? 0) / 2),
        gap,
        room.height,
      )
    : packed(heights, (room.height - lined(heights, gap)) / 2, gap);
  const pictures: Picture[] = [];
  for (const [at, row] of cells.entries()) {
    const lefts = wishes
      ? spread(
          widths[at] ?? [],
          row.map(({ index, width }) => (wishes.x[index] ?? 0) - width / 2),
          gap,
          room.width,
        )
      : packed(widths[at] ?? [], left, gap);
    const bottom = gap + (tops[at] ?? 0) + (heights[at] ?? 0);
    for (const [nth, { index, window, width, height }] of row.entries()) {
      const scale = scales[index] ?? 0;
      const cell = { x: gap + (lefts[nth] ?? 0), y: bottom - height, width, height };
      const size = { width: window.width * scale, height: window.height * scale };
      const picture = { x: cell.x + (width - size.width) / 2, y: cell.y, ...size };
      pictures[index] = { id: window.id, cell, picture };
    }
  }
  return pictures;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

function packed(lengths: readonly number[], start: number, gap: number): number[] {
  let next = start;
  return lengths.map((length) => (next += length + gap) - length - gap);
}
