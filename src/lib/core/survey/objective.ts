/** What a layout is worth. */
import { middleOf, sideOf, type Picture, type Sheet, type SurveyOrder, type SurveyWindow } from './sheet';
import { scaleAt, sizeLaw, unitBound } from './size-law';

/** All are shares; more is better, but of `moved`. */
export interface Worth {
  /** The worst-off picture’s side, as a share of its side at a unit that no layout can exceed. */
  readonly legible: number;
  /** The area of all pictures, as a share of their area at that unit. */
  readonly used: number;
  /** 1 where every size follows the law alike: e to the minus standard deviation of their logarithms. */
  readonly even: number;
  /** Pairs that still stand left and right, above and below as on the surface; what is level now counts half. */
  readonly kept: number;
  /** Mean way of the middles, as a share of the sheet’s diagonal. */
  readonly moved: number;
  /** `4 legible + 2 used + even + 2 (kept − moved)`, the last only by place. */
  readonly total: number;
}

/** Nearer together than this share of the sheet is level. */
const LEVEL = 0.02;

/** A function that judges layouts of these windows, whose pictures come in their order. Of more than `pairs` pairs an even sample is looked at. */
export function judge(
  windows: readonly SurveyWindow[],
  sheet: Sheet,
  order: SurveyOrder,
  pairs = 20_000,
): (pictures: readonly Picture[]) => Worth {
  const law = sizeLaw(windows, sheet);
  const bound = unitBound(windows, sheet, law);
  const sides = windows.map((window, index) => sideOf(window) * scaleAt(law, index, bound));
  const most = sides.reduce((sum, side) => sum + side * side, 0);
  const before = windows.map(({ corner, width, height }) =>
    corner ? middleOf({ ...corner, width, height }) : null,
  );
  const relations = relationsOf(before, sheet, pairs);
  const diagonal = Math.hypot(sheet.width, sheet.height);

  return (pictures) => {
    let [legible, area, logs, squares, way, placed] = [Infinity, 0, 0, 0, 0, 0];
    const after = new Float64Array(2 * pictures.length);
    for (const [index, { picture }] of pictures.entries()) {
      const side = sideOf(picture);
      const share = side / (sides[index] ?? 1);
      legible = Math.min(legible, share);
      area += side * side;
      logs += Math.log(share);
      squares += Math.log(share) ** 2;
      const to = middleOf(picture);
      after[2 * index] = to.x / sheet.width;
      after[2 * index + 1] = to.y / sheet.height;
      const from = before[index];
      if (!from) continue;
      placed += 1;
      way += Math.hypot(from.x - to.x, from.y - to.y);
    }
    const count = windows.length;
    const used = area / most;
    const even = Math.exp(-Math.sqrt(Math.max(0, squares / count - (logs / count) ** 2)));
    const kept = keptOf(relations, after);
    const moved = placed > 0 ? way / placed / diagonal : 0;
    const total = 4 * legible + 2 * used + even + (order === 'place' ? 2 * (kept - moved) : 0);
    return { legible, used, even, kept, moved, total };
  };
}

function keptOf(relations: Int32Array, after: Float64Array): number {
  if (relations.length === 0) return 1;
  let kept = 0;
  for (let at = 0; at < relations.length; at += 2) {
    const way = (after[relations[at + 1] ?? 0] ?? 0) - (after[relations[at] ?? 0] ?? 0);
    kept += way >= LEVEL ? 2 : way > -LEVEL ? 1 : 0;
  }
  return kept / relations.length;
}

type Point = { readonly x: number; readonly y: number };

/**
 * Who stands left of whom and above whom, for a sample of the pairs: lesser and greater by turns, each as twice its
 * position, and one more for above and below.
 */
function relationsOf(middles: readonly (Point | null)[], sheet: Sheet, most: number): Int32Array {
  const count = middles.length;
  const stride = Math.max(1, Math.ceil((count * (count - 1)) / 2 / most));
  const relations: number[] = [];
  let nth = 0;
  for (let i = 0; i < count; i += 1)
    for (let j = i + 1; j < count; j += 1, nth += 1) {
      const [a, b] = [middles[i], middles[j]];
      if (nth % stride !== 0 || !a || !b) continue;
      for (const [side, way] of [(b.x - a.x) / sheet.width, (b.y - a.y) / sheet.height].entries())
        if (way >= LEVEL) relations.push(2 * i + side, 2 * j + side);
        else if (way <= -LEVEL) relations.push(2 * j + side, 2 * i + side);
    }
  return Int32Array.from(relations);
}
