/** Cutting a sequence of cells into rows, as paragraphs are broken into lines. */
import type { Extent } from '../model/geometry';

/** What a row costs besides its height, all as shares; `weight` is how much that counts. */
export interface Taste {
  readonly weight: number;
  /** By place in the sequence: 1 where a row should rather not begin. */
  readonly whole: Uint8Array;
  /** By place in the sequence: how far down it would like to be, so that like goes with like; null where that is no matter. */
  readonly wished: Float64Array | null;
}

/** Rows: the places in the sequence after the last of each, and how high they are together, with the gaps between them. */
export interface Breaks {
  readonly ends: readonly number[];
  readonly height: number;
}

/**
 * Rows no longer than the room is wide, at the least total cost. It is the optimal breaking of paragraphs by dynamic
 * programming (D. E. Knuth and M. F. Plass, “Breaking paragraphs into lines”, Software: Practice and Experience 11, 1981;
 * from memory): best(j) = min over i of best(i) + cost(i..j). With a weight of 0 the rows are as low as this sequence can be. Null
 * where a cell is wider than the room.
 */
export function breakRows(
  widths: Float64Array,
  heights: Float64Array,
  gap: number,
  room: Extent,
  { weight, whole, wished }: Taste,
): Breaks | null {
  const count = widths.length;
  const best = new Float64Array(count + 1).fill(Infinity);
  const from = new Int32Array(count + 1);
  const tall = new Float64Array(count + 1);
  best[0] = 0;
  for (let end = 1; end <= count; end += 1) {
    let [width, height, sum, squares] = [-gap, 0, 0, 0];
    for (let start = end - 1; start >= 0; start -= 1) {
      width += (widths[start] ?? 0) + gap;
      if (width > room.width) break;
      height = Math.max(height, heights[start] ?? 0);
      let cost = (height + gap) / room.height;
      if (weight > 0) {
        const empty = 1 - width / room.width;
        const wish = wished?.[start] ?? 0;
        sum += wish;
        squares += wish * wish;
        const apart = wished ? Math.max(0, squares - (sum * sum) / (end - start)) : 0;
        cost += weight * (empty * empty + (whole[start] ?? 0) + apart);
      }
      if ((best[start] ?? 0) + cost >= (best[end] ?? 0)) continue;
      best[end] = (best[start] ?? 0) + cost;
      from[end] = start;
      tall[end] = height;
    }
  }
  if (best[count] === Infinity) return null;
  const ends: number[] = [];
  let height = -gap;
  for (let end = count; end > 0; end = from[end] ?? 0) {
    ends.push(end);
    height += (tall[end] ?? 0) + gap;
  }
  return { ends: ends.reverse(), height };
}
