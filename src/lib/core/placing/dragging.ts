/** Where a window goes that is dragged by the pointer. */
import type { Extent, Geometry } from '../model/geometry';
import type { Part } from './parts';
import { boxOn, type Placement } from './placement';

/**
 * The box that a drag begins with. A window that fills a part of the surface is as large again as it was before, and lies
 * under the pointer at the same share of its width.
 */
export function draggedFrom(surface: Extent, placement: Placement, x: number, y: number): Geometry {
  const box = boxOn(surface, placement);
  if (!placement.part) return box;
  const { part: _part, ...free } = placement;
  const { width, height } = boxOn(surface, free);
  const share = (x - box.x) / box.width;
  return { x: Math.round(x - share * width), y: Math.round(Math.min(box.y, y)), width, height };
}

/** How near to an edge the pointer fills a part, in CSS pixels; and how far from a corner that is a quarter. */
const EDGE = 8;
const CORNER = 80;

/**
 * The part that the pointer fills at the edge of a surface: halves at the sides, all of it at the top, quarters at the
 * corners; null away from the edges.
 */
export function partAtEdge({ width, height }: Extent, x: number, y: number): Part | null {
  const [left, right, top, bottom] = [x < EDGE, x >= width - EDGE, y < EDGE, y >= height - EDGE];
  const across = x < CORNER ? 'left' : x >= width - CORNER ? 'right' : null;
  const down = y < CORNER ? 'top' : y >= height - CORNER ? 'bottom' : null;
  const isEdge = left || right || top || bottom;
  if (!isEdge) return null;
  if (across && down) return `${down}-${across}`;
  if (left) return 'left-half';
  if (right) return 'right-half';
  return top ? 'whole' : null;
}
