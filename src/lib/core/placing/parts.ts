/** The parts of a surface that a window can fill: all of it, halves, quarters, thirds. */
import type { Extent, Geometry } from '../model/geometry';

/** A stretch of a side, as fractions of it. */
type Stretch = readonly [from: number, to: number];

const ALL: Stretch = [0, 1];
const HALVES: readonly [Stretch, Stretch] = [
  [0, 1 / 2],
  [1 / 2, 1],
];
const THIRDS: readonly [Stretch, Stretch, Stretch] = [
  [0, 1 / 3],
  [1 / 3, 2 / 3],
  [2 / 3, 1],
];

const STRETCHES = {
  whole: [ALL, ALL],
  'left-half': [HALVES[0], ALL],
  'right-half': [HALVES[1], ALL],
  'top-half': [ALL, HALVES[0]],
  'bottom-half': [ALL, HALVES[1]],
  'top-left': [HALVES[0], HALVES[0]],
  'top-right': [HALVES[1], HALVES[0]],
  'bottom-left': [HALVES[0], HALVES[1]],
  'bottom-right': [HALVES[1], HALVES[1]],
  'left-third': [THIRDS[0], ALL],
  'middle-third': [THIRDS[1], ALL],
  'right-third': [THIRDS[2], ALL],
  'left-two-thirds': [[0, 2 / 3], ALL],
  'right-two-thirds': [[1 / 3, 1], ALL],
} as const satisfies Readonly<Record<string, readonly [across: Stretch, down: Stretch]>>;

/** A part of the surface. */
export type Part = keyof typeof STRETCHES;
/** All of them. */
export const PARTS = Object.keys(STRETCHES) as readonly Part[];

/**
 * Where a part lies on a surface of this size. Parts that meet share an edge to the pixel, whatever the size is.
 * @example boxOfPart('right-half', { width: 101, height: 60 }) // { x: 51, y: 0, width: 50, height: 60 }
 */
export function boxOfPart(part: Part, surface: Extent): Geometry {
  const [across, down] = STRETCHES[part];
  const [left, right] = across.map((fraction) => Math.round(fraction * surface.width)) as [number, number];
  const [top, bottom] = down.map((fraction) => Math.round(fraction * surface.height)) as [number, number];
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** A key that fills a part goes on to the next of its row when it is pressed again. */
const ROWS: readonly (readonly Part[])[] = [
  ['left-half', 'left-third', 'left-two-thirds'],
  ['right-half', 'right-third', 'right-two-thirds'],
];

/** The part that comes after another one at the same side: half, third, two thirds, and round. */
export function nextPart(side: 'left' | 'right', part: Part | undefined): Part {
  const row = ROWS[side === 'left' ? 0 : 1] as readonly Part[];
  return row[(row.indexOf(part ?? 'whole') + 1) % row.length] as Part;
}
