/** Arrow keys over boxes that do not overlap: they go by position, reach everything, and come back. */
import type { Geometry } from '../model/geometry';

/** Where an arrow points. */
export type Direction = 'left' | 'right' | 'up' | 'down';

/** Where the highlight is, and what it remembers of the way there. */
export interface Cursor {
  readonly at: number;
  /** Where along its band a run of moves across bands began; it is aimed at until a move along one. */
  readonly goal: number | null;
  /** Where the last move jumped from that left its band at its end, and the key that comes back. */
  readonly jump: { readonly from: number; readonly back: Direction } | null;
}

/** A highlight that remembers nothing. */
export const cursorAt = (at: number): Cursor => ({ at, goal: null, jump: null });

const BACK = { left: 'right', right: 'left', up: 'down', down: 'up' } as const;

/**
 * The moves over these boxes. They are cut into bands: all of a band lie across one common line, so their order along it
 * is beyond doubt. Along the band a key goes to the neighbour, at its end to the nearest box wholly beyond, and the opposite
 * key comes back. Across, it goes to the box of the next band that is nearest to where this run of moves began.
 *
 * Everything is reached from everywhere: across to its band (bands are a chain both ways), then along it (so are its boxes).
 */
export function arrowKeys(boxes: readonly Geometry[]): (cursor: Cursor, key: Direction) => Cursor {
  const bands = bandsOf(boxes);
  const bandOf = new Int32Array(boxes.length);
  for (const [at, band] of bands.entries()) for (const index of band) bandOf[index] = at;

  return (cursor, key) => {
    const { at, jump } = cursor;
    const here = boxes[at];
    if (!here) return cursor;
    if (key === 'left' || key === 'right') {
      if (jump?.back === key) return cursorAt(jump.from);
      const band = bands[bandOf[at] ?? 0] ?? [];
      const next = band[band.indexOf(at) + (key === 'right' ? 1 : -1)];
      if (next !== undefined) return cursorAt(next);
      const beyond = nearestBeyond(boxes, here, key);
      return beyond === null ? cursor : { at: beyond, goal: null, jump: { from: at, back: BACK[key] } };
    }
    const band = bands[(bandOf[at] ?? 0) + (key === 'down' ? 1 : -1)];
    const goal = cursor.goal ?? here.x + here.width / 2;
    return band ? { at: nearestAlong(boxes, band, goal), goal, jump: null } : cursor;
  };
}

/** The fewest bands: the next line is drawn where the first box left over ends, and takes all that it meets. */
function bandsOf(boxes: readonly Geometry[]): number[][] {
  const end = (index: number) => (boxes[index]?.y ?? 0) + (boxes[index]?.height ?? 0);
  let left = [...boxes.keys()].sort((i, j) => end(i) - end(j));
  const bands: number[][] = [];
  while (left[0] !== undefined) {
    const line = end(left[0]);
    const met = (index: number) => (boxes[index]?.y ?? 0) < line;
    bands.push(left.filter(met).sort((i, j) => (boxes[i]?.x ?? 0) - (boxes[j]?.x ?? 0)));
    left = left.filter((index) => !met(index));
  }
  return bands;
}

function nearestAlong(boxes: readonly Geometry[], band: readonly number[], goal: number): number {
  const away = (index: number) => {
    const { x = 0, width = 0 } = boxes[index] ?? {};
    return Math.max(x - goal, goal - x - width, 0);
  };
  return band.reduce((best, index) => (away(index) < away(best) ? index : best), band[0] ?? 0);
}

function nearestBeyond(boxes: readonly Geometry[], here: Geometry, key: 'left' | 'right'): number | null {
  let [best, least]: [number | null, number] = [null, Infinity];
  for (const [index, box] of boxes.entries()) {
    const along = key === 'right' ? box.x - here.x - here.width : here.x - box.x - box.width;
    if (along < 0) continue;
    const across = Math.max(0, box.y - here.y - here.height, here.y - box.y - box.height);
    const away = Math.hypot(along, across);
    if (away < least) [best, least] = [index, away];
  }
  return best;
}
