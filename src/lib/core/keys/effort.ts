/**
 * How far a combination is from hands that rest on the home row: the sum of the distances its keys are from the fingers that
 * strike them, in widths of a key. Rows are shifted as on the usual keyboards (Q a quarter left of A, the digits three
 * quarters, Z half a key right: the pitch of ISO/IEC 9995-1's reference layout as built, common practice); which finger
 * strikes which column is the teaching of touch typing (common practice). The hold key is under the thumb already.
 */
import type { Chord } from './chord';
import { seatOf } from './writing-keys';

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Columns in which fingers rest: those of A S D F and J K L ;. */
const RESTING = [0, 1, 2, 3, 6, 7, 8, 9] as const;
const SHIFTED = { digits: -0.75, top: -0.25, home: 0, bottom: 0.5 } as const;
const ROW = { digits: 2, top: 1, home: 0, bottom: -1 } as const;

/** Keys that are struck with the left little finger, from A. */
const SHIFT: Point = { x: -1.125, y: -1 };
const CONTROL: Point = { x: -1.625, y: -2 };
/** The Meta key is a key and a quarter from the thumb. */
const META = 1.25;
/** F1 above the digits, and a gap of half a key after every four. */
const FUNCTION_ROW = { x: 0.25, y: 3.25, gap: 0.5 } as const;
/** What is further away than any of these: the hand has to go there. */
const AWAY = 6;

/** Where a key is, from A, and in which column. */
function placeOf(code: string): (Point & { readonly column: number }) | null {
  const nth = Number(/^F(\d+)$/.exec(code)?.[1]) - 1;
  if (nth >= 0) {
    const x = FUNCTION_ROW.x + nth + FUNCTION_ROW.gap * Math.floor(nth / 4);
    return { x, y: FUNCTION_ROW.y, column: Math.round(x) };
  }
  const seat = seatOf(code);
  if (!seat) return null;
  return { x: seat.column + SHIFTED[seat.row], y: ROW[seat.row], column: seat.column };
}

/** The column of the finger that strikes a column. */
function fingerFor(column: number): number {
  const distances = RESTING.map((rest) => Math.abs(rest - column));
  return RESTING[distances.indexOf(Math.min(...distances))] ?? 0;
}

const between = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
const HOME_OF_LITTLE_FINGER: Point = { x: 0, y: 0 };

/**
 * The effort of a combination, 0 for a finger's own key with the hold key.
 * @example effortOf({ code: 'KeyS', shift: false, hold: true, modifiers: [] }) // 0
 * @example effortOf({ code: 'KeyG', shift: false, hold: true, modifiers: [] }) // 1
 */
export function effortOf({ code, shift, modifiers }: Chord): number {
  const place = placeOf(code);
  const reach = place ? between(place, { x: fingerFor(place.column), y: 0 }) : AWAY;
  return (
    reach +
    (shift ? between(SHIFT, HOME_OF_LITTLE_FINGER) : 0) +
    (modifiers.includes('Control') ? between(CONTROL, HOME_OF_LITTLE_FINGER) : 0) +
    (modifiers.includes('Meta') ? META : 0)
  );
}
