import type { Geometry } from '../model/geometry';

/** New windows step down and to the right so that each title line stays readable, in CSS pixels. */
const STEP = 34;
const STEPS = 8;
const FIRST: Geometry = { x: 120, y: 56, width: 560, height: 360 };

/** A step down and to the right of another window. */
export const aStepAside = (geometry: Geometry): Geometry => ({
  ...geometry,
  x: geometry.x + STEP,
  y: geometry.y + STEP,
});

/**
 * Where the next new window goes when `count` windows are open.
 * @example cascade(1) // { x: 154, y: 90, width: 560, height: 360 }
 */
export function cascade(count: number): Geometry {
  const step = (count % STEPS) * STEP;
  return { ...FIRST, x: FIRST.x + step, y: FIRST.y + step };
}
