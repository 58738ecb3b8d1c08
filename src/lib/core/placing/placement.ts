/** Where a window lies, so that it can be seen on a surface of any size, and as it was on the one it was placed on. */
import { sameGeometry, type Extent, type Geometry } from '../model/geometry';
import { boxOfPart, type Part } from './parts';

/** A window's place. */
export interface Placement {
  /** Where it lies, or where it goes back to from the part that it fills. */
  readonly geometry: Geometry;
  /** The surface that the geometry was made for; absent: {@link COMMON_SURFACE}. */
  readonly on?: Extent;
  /** The part of the surface that it fills; absent: none. */
  readonly part?: Part;
}

/** The surface of a page of 1280 by 800 with the index beside it. */
export const COMMON_SURFACE: Extent = { width: 1156, height: 770 };

/** Whether two placements are the same. */
export const samePlacement = (a: Placement, b: Placement): boolean =>
  sameGeometry(a.geometry, b.geometry) &&
  a.part === b.part &&
  a.on?.width === b.on?.width &&
  a.on?.height === b.on?.height;

/** What of something is its placement. */
export const placementOf = ({ geometry, on, part }: Placement): Placement => ({
  geometry,
  ...(on && { on }),
  ...(part && { part }),
});

/**
 * Where a placement lies on a surface of this size, wholly in sight. On the surface that it was made for nothing moves
 * that lies within; on another one what is left free at both sides keeps its proportion, and what is too large is as large
 * as the surface.
 * @example boxOn({ width: 600, height: 400 }, { geometry: { x: 100, y: 0, width: 200, height: 100 }, on: { width: 400, height: 400 } })
 *   // { x: 200, y: 0, width: 200, height: 100 }
 */
export function boxOn(surface: Extent, { geometry, on = COMMON_SURFACE, part }: Placement): Geometry {
  if (part) return boxOfPart(part, surface);
  const [x, width] = along(geometry.x, geometry.width, on.width, surface.width);
  const [y, height] = along(geometry.y, geometry.height, on.height, surface.height);
  return { x, y, width, height };
}

/** One side of it: where it begins on the other surface, and how long it is there. */
function along(at: number, length: number, from: number, to: number): [at: number, length: number] {
  const fits = Math.min(length, to);
  const [before, now] = [from - length, to - fits];
  const moved = before > 0 ? (at / before) * now : at;
  return [Math.round(Math.min(Math.max(moved, 0), now)), fits];
}
