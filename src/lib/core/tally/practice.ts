/**
 * The power law of practice: the time for the nth try is T₁ n^(−a) (A. Newell, P. S. Rosenbloom 1981; a is typically
 * 0.2 to 0.6). Fitted as a straight line through the logarithms, by least squares.
 */
export interface PowerLaw {
  /** T₁, in the unit of the times. */
  readonly first: number;
  readonly exponent: number;
  /** The bounds within which the exponent lies with 95 % confidence. */
  readonly low: number;
  readonly high: number;
}

/** Fewer tries than these say nothing. */
export const FEWEST_TRIES = 10;

/** The 97.5 % point of the normal distribution, near enough to Student's for as many tries as are asked for. */
const NORMAL_975 = 1.96;

/** The law of the tries (n, time), both above 0; null of too few, or of tries that all have one n. */
export function powerLaw(ns: ArrayLike<number>, times: ArrayLike<number>): PowerLaw | null {
  const count = ns.length;
  if (count < FEWEST_TRIES) return null;
  let sumX = 0;
  let sumY = 0;
  for (let i = 0; i < count; i += 1) {
    sumX += Math.log(ns[i] ?? 1);
    sumY += Math.log(times[i] ?? 1);
  }
  const meanX = sumX / count;
  const meanY = sumY / count;
  let xx = 0;
  let xy = 0;
  let yy = 0;
  for (let i = 0; i < count; i += 1) {
    const x = Math.log(ns[i] ?? 1) - meanX;
    const y = Math.log(times[i] ?? 1) - meanY;
    xx += x * x;
    xy += x * y;
    yy += y * y;
  }
  // Tries that all have one n are alike as far as rounding lets them be.
  if (xx < 1e-9) return null;
  const slope = xy / xx;
  const residual = Math.max(0, yy - slope * xy);
  const error = Math.sqrt(residual / (count - 2) / xx);
  const exponent = -slope;
  return {
    first: Math.exp(meanY - slope * meanX),
    exponent,
    low: exponent - NORMAL_975 * error,
    high: exponent + NORMAL_975 * error,
  };
}

/** The time that a law gives for the nth try. */
export const timeAfter = ({ first, exponent }: PowerLaw, n: number): number => first * n ** -exponent;
