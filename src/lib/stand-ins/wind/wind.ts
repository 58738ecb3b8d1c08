/** What a weather station wrote down: the wind by the hour. CSV with the columns Time, From, Mean, Gusts and Sea. */
import { rowsOf } from '../table/rows';

/** The wind at one time. */
export interface Wind {
  readonly time: string;
  /** Hours since midnight. */
  readonly hour: number;
  /** Where it comes from, on the compass: `WSW`. */
  readonly from: string;
  /** Knots. */
  readonly mean: number;
  readonly gusts: number;
  readonly sea: string;
}

/** The sixteen points of the compass, from north by the east. */
const POINTS = 'N NNE NE ENE E ESE SE SSE S SSW SW WSW W WNW NW NNW'.split(' ');

/** The bearing of a point of the compass in degrees from north by the east; null for what is none. */
export function bearingOf(point: string): number | null {
  const nth = POINTS.indexOf(point.toUpperCase());
  return nth < 0 ? null : (nth * 360) / POINTS.length;
}

/** The winds in a text, by the hour; lines that do not tell time, direction and speed are left out. */
export function windsFrom(text: string): Wind[] {
  return rowsOf(text)
    .body.flatMap(([time = '', from = '', mean = '', gusts = '', sea = '']) => {
      const [hours, minutes] = time.split(':').map(Number);
      const wind = { time, hour: (hours ?? NaN) + (minutes ?? NaN) / 60, from, sea };
      const [steady, gusting] = [Number.parseFloat(mean), Number.parseFloat(gusts)];
      const told = [wind.hour, steady].every(Number.isFinite) && bearingOf(from) !== null;
      return told ? [{ ...wind, mean: steady, gusts: Number.isFinite(gusting) ? gusting : steady }] : [];
    })
    .sort((a, b) => a.hour - b.hour);
}

/** From how many knots on each force is reached, from 1 (WMO, "Manual on Codes", code table 1100; quoted from memory). */
const FORCES = [1, 4, 7, 11, 17, 22, 28, 34, 41, 48, 56, 64] as const;

/** The Beaufort force of a wind in knots, from 0 to 12. */
export const beaufort = (knots: number): number => FORCES.filter((from) => Math.round(knots) >= from).length;

/** What each force is called at sea. */
const NAMES = [
  'calm',
  'light air',
  'light breeze',
  'gentle breeze',
  'moderate breeze',
  'fresh breeze',
  'strong breeze',
  'near gale',
  'gale',
  'strong gale',
  'storm',
  'violent storm',
  'hurricane',
] as const;

/** The force of a wind in words: `6, strong breeze`. */
export function forceText(knots: number): string {
  const force = beaufort(knots);
  return `${force}, ${NAMES[force] ?? ''}`;
}

/** The winds nearest to an hour, counted from 0; the last of those that have come, else the first. */
export function nthAt(winds: readonly Wind[], hour: number): number {
  const last = winds.findLastIndex((wind) => wind.hour <= hour);
  return Math.max(0, last);
}
