/**
 * Tides from harmonic constants: h(t) = Z₀ + Σ f·A·cos(V(t) + u − g), the method of harmonic prediction as in
 * P. Schureman, "Manual of Harmonic Analysis and Prediction of Tides" (US Coast and Geodetic Survey, Special
 * Publication 98). V is what the sun and the moon make of an instant, f and u follow the moon’s node over 18.6 years.
 */
import { csvParseRows } from 'd3-dsv';

const RADIANS = Math.PI / 180;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** The instant J2000.0, from which the mean longitudes are counted. */
const J2000_MS = Date.UTC(2000, 0, 1, 12);

/** Where the sun, the moon, its perigee and its node are on average, in degrees. */
interface Sky {
  /** The hour angle of the mean sun: 15° an hour. */
  readonly sunHour: number;
  readonly moon: number;
  readonly sun: number;
  readonly perigee: number;
  readonly node: number;
}

/** Mean longitudes at J2000.0 and their changes a day (J. Meeus, "Astronomical Algorithms", chapters 25 and 47; quoted from memory). */
const LONGITUDES = {
  moon: [218.3164477, 13.17639648],
  sun: [280.46646, 0.98564736],
  perigee: [83.3532465, 0.11140353],
  node: [125.0445479, -0.05295377],
} as const;

function skyAt(instant: number): Sky {
  const days = (instant - J2000_MS) / DAY_MS;
  const at = ([degrees, aDay]: readonly [number, number]) => degrees + aDay * days;
  const { moon, sun, perigee, node } = LONGITUDES;
  return { sunHour: 360 * days, moon: at(moon), sun: at(sun), perigee: at(perigee), node: at(node) };
}

/** What of the sky a constituent follows. */
interface Origin {
  /** How often each goes into its argument: hour angle of the sun, moon, sun, perigee, and degrees besides. */
  readonly argument: readonly [sunHour: number, moon: number, sun: number, perigee: number, degrees: number];
  /** What the moon’s node does to its height and, in degrees, to its time. */
  readonly node: { readonly height: readonly [mean: number, cosine: number]; readonly time: number };
}

const WITHOUT_NODE: Origin['node'] = { height: [1, 0], time: 0 };
const OF_M2: Origin['node'] = { height: [1, -0.037], time: -2.1 };

/**
 * The arguments as in Schureman, table 2, and the first terms of the node’s effect as in D. T. Pugh, "Tides, Surges and
 * Mean Sea-Level", table 4.3 (both quoted from memory, and checked against a package in the tests).
 */
const ORIGINS: Readonly<Record<string, Origin>> = {
  M2: { argument: [2, -2, 2, 0, 0], node: OF_M2 },
  S2: { argument: [2, 0, 0, 0, 0], node: WITHOUT_NODE },
  N2: { argument: [2, -3, 2, 1, 0], node: OF_M2 },
  K1: { argument: [1, 0, 1, 0, -90], node: { height: [1.006, 0.115], time: -8.9 } },
  O1: { argument: [1, -2, 1, 0, 90], node: { height: [1.009, 0.187], time: 10.8 } },
};

/** The names of the constituents that are known. */
export const CONSTITUENTS: readonly string[] = Object.keys(ORIGINS);

/** How fast a constituent goes, in degrees an hour. */
export function speedOf(constituent: string): number {
  const [sunHour, moon, sun, perigee] = originOf(constituent).argument;
  const { moon: m, sun: s, perigee: p } = LONGITUDES;
  return sunHour * 15 + (moon * m[1] + sun * s[1] + perigee * p[1]) / 24;
}

/** @throws RangeError for a constituent that is not known. */
function originOf(constituent: string): Origin {
  const origin = ORIGINS[constituent];
  if (!origin) throw new RangeError(`There is no constituent '${constituent}'.`);
  return origin;
}

/** A part of the tide. */
export interface Constituent {
  /** One of those that are known; null for the mean height. */
  readonly name: string | null;
  /** Metres. */
  readonly amplitude: number;
  /** Degrees by which it is behind its argument at Greenwich. */
  readonly phase: number;
}

/** The water at one moment. */
export interface Height {
  /** Hours since the start of the curve. */
  readonly hour: number;
  /** Metres above chart datum. */
  readonly height: number;
}

const SAMPLES_PER_HOUR = 4;

/** Constants from CSV with a header and the columns constituent, amplitude (m) and phase (°); unknown constituents are left out. */
export function constituentsFrom(csv: string): Constituent[] {
  // Rows, not objects: turning rows into objects compiles code at run time, which the page's security policy forbids.
  const [, ...rows] = csvParseRows(csv);
  return rows.flatMap(([constituent = '', amplitude, phase]) => {
    const name = constituent === 'Z0' ? null : constituent;
    const known = name === null || name in ORIGINS;
    const figures = [amplitude, phase].every((figure) => figure?.trim() && Number.isFinite(Number(figure)));
    return known && figures ? [{ name, amplitude: Number(amplitude), phase: Number(phase) }] : [];
  });
}

/** The mean height above chart datum in metres: half the way between low and high waters, roughly. */
export const meanLevel = (constituents: readonly Constituent[]): number =>
  constituents.reduce((sum, { name, amplitude }) => sum + (name === null ? amplitude : 0), 0);

/** The height in metres above chart datum at an instant in ms. */
export function heightAt(constituents: readonly Constituent[], instant: number): number {
  const sky = skyAt(instant);
  return constituents.reduce((sum, one) => sum + partAt(one, sky), 0);
}

function partAt({ name, amplitude, phase }: Constituent, sky: Sky): number {
  if (name === null) return amplitude;
  const { argument, node } = originOf(name);
  const [sunHour, moon, sun, perigee, degrees] = argument;
  const angle = sunHour * sky.sunHour + moon * sky.moon + sun * sky.sun + perigee * sky.perigee + degrees;
  const later = node.time * Math.sin(sky.node * RADIANS);
  const higher = node.height[0] + node.height[1] * Math.cos(sky.node * RADIANS);
  return higher * amplitude * Math.cos((angle + later - phase) * RADIANS);
}

/** The curve over `hours` hours from an instant in ms. */
export function tideCurve(constituents: readonly Constituent[], from: number, hours: number): Height[] {
  return Array.from({ length: hours * SAMPLES_PER_HOUR + 1 }, (_, index) => {
    const hour = index / SAMPLES_PER_HOUR;
    return { hour, height: heightAt(constituents, from + hour * HOUR_MS) };
  });
}

/** A high or low water. */
export interface Water extends Height {
  readonly high: boolean;
}

/** The high and low waters of a curve, between its samples too: where the parabola through three of them turns. */
export function turnings(curve: readonly Height[]): Water[] {
  return curve.flatMap((point, index) => {
    const before = curve[index - 1];
    const after = curve[index + 1];
    if (!before || !after) return [];
    const high = point.height >= before.height && point.height > after.height;
    const low = point.height <= before.height && point.height < after.height;
    if (!high && !low) return [];
    const bend = before.height - 2 * point.height + after.height;
    const aside = (before.height - after.height) / (2 * bend);
    return [
      {
        hour: point.hour + aside * (after.hour - point.hour),
        height: point.height - ((before.height - after.height) * aside) / 4,
        high,
      },
    ];
  });
}

/** The next high and the next low water are never further away than this, in hours, even with one tide a day. */
const LONGEST_WAIT = 30;

/** The high and low waters that come next after an instant in ms, in the order in which they come; at most one of each. */
export function nextWaters(
  constituents: readonly Constituent[],
  after: number,
): (Water & { readonly instant: number })[] {
  // A sample before, so that one that comes within minutes is found.
  const from = after - HOUR_MS;
  const coming = turnings(tideCurve(constituents, from, LONGEST_WAIT + 2))
    .map((water) => ({ ...water, instant: from + water.hour * HOUR_MS }))
    .filter(({ instant }) => instant > after);
  const first = (high: boolean) => coming.find((water) => water.high === high);
  return [first(true), first(false)]
    .filter((water) => water !== undefined)
    .sort((a, b) => a.instant - b.instant);
}
