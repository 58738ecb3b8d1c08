/** A layout that stays as it was as far as it can while windows come, go or change. */
import { arrange } from './arrange';
import { layout } from './layout';
import { sequence, type Sequence } from './sequence';
import {
  cellOf,
  largest,
  lined,
  middleOf,
  roomOf,
  type Laid,
  type Sheet,
  type SurveyOrder,
  type SurveyWindow,
} from './sheet';
import { scaleAt, sizeLaw } from './size-law';

/** Staying is worth it while every picture keeps this share of the size that a fresh layout would give it. */
const WORTH_STAYING = 0.8;
/** Pictures never exceed the law’s size by as much. */
const NO_CAP = 2;

/**
 * The layout after a change: rows, sizes and places of `previous` wherever they still fit; what is new goes in where the order
 * wants it, and the others move only out of its way. A row that gets too long shrinks, its largest pictures first. The fresh layout
 * where that costs any picture too much, or the fresh one is much larger.
 */
export function layoutNear(
  windows: readonly SurveyWindow[],
  sheet: Sheet,
  order: SurveyOrder,
  previous: Laid,
): Laid | null {
  const fresh = layout(windows, sheet, order);
  if (!fresh || previous.unit < WORTH_STAYING * fresh.unit) return fresh;
  const { gap } = sheet;
  const law = sizeLaw(windows, sheet);
  const room = roomOf(sheet);
  const wishes = sequence(windows, sheet, order);
  const rows = keptRows(windows, wishes, order, previous);
  const cells = new Map(previous.pictures.map(({ id, cell }) => [id, cell]));
  const before = windows.map(({ id }) => cells.get(id));
  const base = windows.map((window, index) => {
    const cell = before[index];
    const scale = cell ? (cell.height - sheet.captionHeight) / window.height : 0;
    const same = cell && Math.abs(cellOf(sheet, window, scale).width - cell.width) < 0.01;
    return same ? scale : scaleAt(law, index, previous.unit);
  });
  /** A picture’s scale where none may exceed the law’s at a unit of so many times the previous one. */
  const capped = (index: number, times: number) =>
    Math.min(base[index] ?? 0, scaleAt(law, index, previous.unit * times));
  const cellsAt = (row: readonly number[], times: number) =>
    row.flatMap((index) => {
      const window = windows[index];
      return window ? [cellOf(sheet, window, capped(index, times))] : [];
    });
  const heightOf = (row: readonly number[], times: number) =>
    Math.max(...cellsAt(row, times).map(({ height }) => height));
  const own = rows.map((row) =>
    largest(
      NO_CAP,
      (times) =>
        lined(
          cellsAt(row, times).map(({ width }) => width),
          gap,
        ) <= room.width,
    ),
  );
  const all = largest(NO_CAP, (times) => {
    const heights = rows.map((row, at) => heightOf(row, Math.min(times, own[at] ?? 1)));
    return lined(heights, gap) <= room.height;
  });
  const scales = new Float64Array(windows.length);
  const x = new Float64Array(windows.length);
  const y = new Float64Array(windows.length);
  for (const [at, row] of rows.entries()) {
    const times = Math.min(all, own[at] ?? 1);
    const feet = row.flatMap((index) => {
      const cell = before[index];
      return cell ? [cell.y + cell.height] : [];
    });
    const stands = feet.length > 0 ? Math.max(...feet) - heightOf(row, times) / 2 - gap : null;
    let last = 0;
    for (const index of row) {
      scales[index] = capped(index, times);
      if ((scales[index] ?? 0) < WORTH_STAYING * scaleAt(law, index, fresh.unit)) return fresh;
      const cell = before[index];
      const comes = order === 'place' ? (wishes.x[index] ?? 0) * room.width : last;
      last = x[index] = cell ? middleOf(cell).x - gap : comes;
      y[index] = stands ?? (wishes.y[index] ?? 0) * room.height;
    }
  }
  return {
    pictures: arrange(windows, sheet, rows, scales, { x, y }),
    rows: rows.map((row) => row.map((index) => windows[index]?.id ?? '')),
    unit: previous.unit * Math.min(1, all),
  };
}

/** The previous rows without what has gone or stands in its order no more; that and what is new where it belongs. */
function keptRows(
  windows: readonly SurveyWindow[],
  wishes: Sequence,
  order: SurveyOrder,
  previous: Laid,
): number[][] {
  const indexOf = new Map(windows.map(({ id }, index) => [id, index]));
  const rank = new Map(wishes.order.map((index, at) => [index, at]));
  const old = previous.rows.map((row) => row.flatMap((id) => indexOf.get(id) ?? []));
  const stays =
    order === 'place' ? new Set(old.flat()) : longestRising(old.flat(), (index) => rank.get(index) ?? 0);
  const rows = old.map((row) => row.filter((index) => stays.has(index)));
  for (const [at, index] of wishes.order.entries()) {
    if (stays.has(index)) continue;
    stays.add(index);
    if (order === 'place') putByPlace(rows, index, wishes);
    else putAfter(rows, index, wishes.order[at - 1]);
  }
  return rows.filter((row) => row.length > 0);
}

/** Into the row that is nearest in height, before what lies further to the right. */
function putByPlace(rows: number[][], index: number, { x, y }: Sequence): void {
  const away = (row: readonly number[]) =>
    Math.abs(row.reduce((sum, one) => sum + (y[one] ?? 0), 0) / row.length - (y[index] ?? 0));
  const [near] = rows.filter((row) => row.length > 0).sort((a, b) => away(a) - away(b));
  if (!near) return void rows.push([index]);
  const after = near.findIndex((one) => (x[one] ?? 0) > (x[index] ?? 0));
  near.splice(after < 0 ? near.length : after, 0, index);
}

function putAfter(rows: number[][], index: number, before: number | undefined): void {
  const row = rows.find((some) => before !== undefined && some.includes(before)) ?? rows[0];
  if (!row) return void rows.push([index]);
  row.splice(before === undefined ? 0 : row.indexOf(before) + 1, 0, index);
}

/** As many items as can stay while the others are taken out of a list that must rise (patience sorting; common practice). */
function longestRising(items: readonly number[], rank: (item: number) => number): Set<number> {
  interface End {
    readonly item: number;
    readonly before: End | undefined;
  }
  const ends: End[] = [];
  for (const item of items) {
    const found = ends.findIndex((end) => rank(end.item) >= rank(item));
    const at = found < 0 ? ends.length : found;
    ends[at] = { item, before: ends[at - 1] };
  }
  const longest = new Set<number>();
  for (let end = ends.at(-1); end; end = end.before) longest.add(end.item);
  return longest;
}
