import { fingerprint } from '../model/fingerprint';

/** Hues nearer to each other than this, in degrees, are taken for the same. */
const ALIKE = 30;
const CIRCLE = 360;

/** A hue that follows from a text, so that a program keeps its colour on every display. @returns degrees, 0 to 359 */
export const hueFor = (text: string): number => fingerprint(text) % CIRCLE;

/**
 * The hue nearest to a wanted one that nobody takes for one of the others; the wanted one, if there is no room between them.
 * @example hueApart(100, [110, 80]) // 140
 */
export function hueApart(wanted: number, others: readonly number[]): number {
  const isApart = (hue: number) => others.every((other) => distance(hue, other) >= ALIKE);
  for (let step = 0; step <= CIRCLE / 2; step += 1)
    for (const hue of [wanted + step, wanted - step]) if (isApart(hue)) return (hue + CIRCLE) % CIRCLE;
  return wanted;
}

/** Along the circle, in degrees. */
function distance(a: number, b: number): number {
  const apart = (((a - b) % CIRCLE) + CIRCLE) % CIRCLE;
  return Math.min(apart, CIRCLE - apart);
}
