/** Areas and points of a picture, in its pixels from its top left corner. */
import type { Extent, Geometry } from '../model/geometry';

/** A point of a picture. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** An area of a picture. */
export type Area = Geometry;

/** An area is at least so wide and high: less could be neither seen nor grasped. */
export const LEAST_SIDE = 4;

/** All of a picture. */
export const wholeOf = ({ width, height }: Extent): Area => ({ x: 0, y: 0, width, height });

/**
 * The point of a picture that is nearest to a point.
 * @example nearestIn({ x: 10, y: 10, width: 80, height: 40 }, { x: 200, y: 5 }) // { x: 90, y: 10 }
 */
export const nearestIn = (within: Area, { x, y }: Point): Point => ({
  x: clamp(x, within.x, within.x + within.width),
  y: clamp(y, within.y, within.y + within.height),
});

/** The area that has two points as opposite corners, in whole pixels; not less than the least, and within another one. */
export function areaBetween(within: Area, a: Point, b: Point): Area {
  const [from, to] = [nearestIn(within, a), nearestIn(within, b)];
  const left = Math.min(from.x, to.x);
  const top = Math.min(from.y, to.y);
  const right = Math.max(from.x, to.x);
  const bottom = Math.max(from.y, to.y);
  return areaWithin(within, { x: left, y: top, width: right - left, height: bottom - top });
}

/**
 * The smallest area of whole pixels that has all of an area in it: no pixel at its edge is covered by half.
 * @example wholePixels({ x: 1.5, y: 2, width: 2, height: 2.1 }) // { x: 1, y: 2, width: 3, height: 3 }
 */
export function wholePixels({ x, y, width, height }: Area): Area {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  return { x: left, y: top, width: Math.ceil(x + width) - left, height: Math.ceil(y + height) - top };
}

/** An area in whole pixels, moved and made smaller or larger as far as it has to be to lie within another one. */
export function areaWithin(within: Area, area: Area): Area {
  const { x, y, width, height } = wholePixels(area);
  const wide = clamp(width, Math.min(LEAST_SIDE, within.width), within.width);
  const high = clamp(height, Math.min(LEAST_SIDE, within.height), within.height);
  return {
    x: clamp(x, within.x, within.x + within.width - wide),
    y: clamp(y, within.y, within.y + within.height - high),
    width: wide,
    height: high,
  };
}

/** An area whose right and lower edges are moved; the other two stay. */
export function stretchedWithin(within: Area, area: Area, by: Point): Area {
  const corner = nearestIn(within, { x: area.x + area.width + by.x, y: area.y + area.height + by.y });
  const width = Math.max(Math.min(LEAST_SIDE, within.width), corner.x - area.x);
  const height = Math.max(Math.min(LEAST_SIDE, within.height), corner.y - area.y);
  return areaWithin(within, { x: area.x, y: area.y, width, height });
}

const clamp = (value: number, least: number, most: number): number => Math.min(Math.max(value, least), most);
