/** Moving and sizing a window: what it looks like on the way, and how it lies once it is accepted. */
import type { Extent, Geometry } from '../model/geometry';
import type { WindowId } from '../model/ids';
import { LEAST_HEIGHT, LEAST_WIDTH } from '../model/limits';
import type { Part } from './parts';
import { boxOn, type Placement } from './placement';

/** A window that is being placed. Nothing of it is wished before it is accepted. */
export interface Placing {
  readonly window: WindowId;
  /** Where it lies now. */
  readonly placement: Placement;
  /** Whether the pointer does it; then it ends when that is let go. */
  readonly byPointer: boolean;
}

/** What someone asks for who places a window; lengths in CSS pixels. */
export type PlacingOrder =
  | { readonly do: 'move'; readonly x: number; readonly y: number }
  /** Moves its right and lower edge. */
  | { readonly do: 'size'; readonly x: number; readonly y: number }
  | { readonly do: 'fill'; readonly part: Part }
  | { readonly do: 'accept' }
  | { readonly do: 'revert' };

/** A placement after a step: wholly on the surface, and no smaller than a window may be. */
export function placedBy(
  placement: Placement,
  order: Extract<PlacingOrder, { do: 'move' | 'size' | 'fill' }>,
  surface: Extent,
): Placement {
  if (order.do === 'fill') return { ...placement, part: order.part };
  const box = boxOn(surface, placement);
  const { x, y } = order;
  return freely(
    order.do === 'move'
      ? { ...box, x: box.x + x, y: box.y + y }
      : {
          ...box,
          width: sized(box.width + x, LEAST_WIDTH, surface.width - box.x),
          height: sized(box.height + y, LEAST_HEIGHT, surface.height - box.y),
        },
    surface,
  );
}

/** A window that lies so on this surface, brought wholly onto it. */
export const freely = (box: Geometry, surface: Extent): Placement => ({
  geometry: boxOn(surface, { geometry: whole(box), on: surface }),
  on: surface,
});

const sized = (length: number, least: number, most: number): number =>
  Math.max(least, Math.min(length, most));

const whole = ({ x, y, width, height }: Geometry): Geometry => ({
  x: Math.round(x),
  y: Math.round(y),
  width: Math.max(LEAST_WIDTH, Math.round(width)),
  height: Math.max(LEAST_HEIGHT, Math.round(height)),
});
