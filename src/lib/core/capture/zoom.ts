/** How large a picture is shown. */
import type { Extent } from '../model/geometry';

/** Scales to go through: pixels of the page for one of the picture. */
export const SCALES = [0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4, 8] as const;

/** The scale at which all of a picture is seen: never larger than it is. @param room what there is to show it in */
export const fitting = (picture: Extent, room: Extent): number =>
  Math.min(1, room.width / picture.width, room.height / picture.height);

/**
 * The next larger scale, or the next smaller one; the same where there is none.
 * @example scaleBeside(0.6, 1) // 0.75
 * @example scaleBeside(0.6, -1) // 0.5
 */
export function scaleBeside(scale: number, direction: 1 | -1): number {
  const beside = direction === 1 ? SCALES.find((one) => one > scale) : SCALES.findLast((one) => one < scale);
  return beside ?? scale;
}
