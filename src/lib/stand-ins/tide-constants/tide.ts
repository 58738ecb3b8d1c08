/**
 * Tides from harmonic constants: h(t) = Z₀ + Σ A·cos(ω·t − g), the method of harmonic prediction as in
 * P. Schureman, "Manual of Harmonic Analysis and Prediction of Tides" (US Coast and Geodetic Survey, Special
 * Publication 98), without the nodal corrections, which only matter over years.
 */
import { csvParseRows } from 'd3-dsv';

/** Speeds of the constituents in degrees an hour (Schureman, table 2; quoted from memory). */
export const SPEEDS: Readonly<Record<string, number>> = {
  M2: 28.9841042,
  S2: 30,
  N2: 28.4397295,
  K1: 15.0410686,
  O1: 13.9430356,
};

/** A part of the tide. */
export interface Constituent {
  /** Degrees an hour; 0 for the mean height. */
  readonly speed: number;
  /** Metres. */
  readonly amplitude: number;
  /** Degrees. */
  readonly phase: number;
}

/** The water at one moment. */
export interface Height {
  /** Hours since the start of the curve. */
  readonly hour: number;
  /** Metres above chart datum. */
  readonly height: number;
}

/** The instant from which phases are counted. */
const EPOCH_MS = Date.UTC(2026, 0, 1);
const HOUR_MS = 3_600_000;
const SAMPLES_PER_HOUR = 4;
const RADIANS = Math.PI / 180;

/** Constants from CSV with a header and the columns constituent, amplitude (m) and phase (°); unknown constituents are left out. */
export function constituentsFrom(csv: string): Constituent[] {
  // Rows, not objects: turning rows into objects compiles code at run time, which the page's security policy forbids.
  const [, ...rows] = csvParseRows(csv);
  return rows.flatMap(([constituent = '', amplitude, phase]) => {
    const speed = constituent === 'Z0' ? 0 : SPEEDS[constituent];
    const known = speed !== undefined && Number.isFinite(Number(amplitude)) && Number.isFinite(Number(phase));
    return known ? [{ speed, amplitude: Number(amplitude), phase: Number(phase) }] : [];
  });
}

/** The height in metres above chart datum at an instant in ms. */
export function heightAt(constituents: readonly Constituent[], instant: number): number {
  const hours = (instant - EPOCH_MS) / HOUR_MS;
  return constituents.reduce(
    (sum, { speed, amplitude, phase }) => sum + amplitude * Math.cos((speed * hours - phase) * RADIANS),
    0,
  );
}

/** The curve over `hours` hours from an instant in ms. */
export function tideCurve(constituents: readonly Constituent[], from: number, hours: number): Height[] {
  return Array.from({ length: hours * SAMPLES_PER_HOUR + 1 }, (_, index) => {
    const hour = index / SAMPLES_PER_HOUR;
    return { hour, height: heightAt(constituents, from + hour * HOUR_MS) };
  });
}

/** The turning points of a curve: its high and low waters. */
export function turnings(curve: readonly Height[]): (Height & { readonly high: boolean })[] {
  return curve.flatMap((point, index) => {
    const before = curve[index - 1];
    const after = curve[index + 1];
    if (!before || !after) return [];
    const high = point.height >= before.height && point.height > after.height;
    const low = point.height <= before.height && point.height < after.height;
    return high || low ? [{ ...point, high }] : [];
  });
}
