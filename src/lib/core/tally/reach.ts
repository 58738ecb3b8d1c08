/**
 * How much longer a digit takes than the nearest one, for the hand that has the hold key: its fingers rest on the home row, and
 * go to a key as to any target.
 */
import { DIGITS, type Digit } from '../slices/places/state';
import type { Block } from '../slices/settings/state';

/** Seconds a bit of Fitts' law, for one finger on small keys (R. W. Soukoreff, I. S. MacKenzie 1995; from memory). */
const SECONDS_A_BIT = 1 / 4.9;
/** Where the fingers rest, in widths of a key, if the digit 1 lies at 0; rows lie one width apart (ISO/IEC 9995, common practice). */
const HOME: Readonly<Record<Block, readonly number[]>> = {
  left: [0.75, 1.75, 2.75, 3.75],
  right: [6.75, 7.75, 8.75, 9.75],
  window: [0.75, 1.75, 2.75, 3.75],
};
/** Digits lie two rows above the home row. */
const ROWS_UP = 2;

const secondsTo = (digit: Digit, block: Block): number => {
  const column = DIGITS.indexOf(digit);
  const distance = Math.min(...HOME[block].map((rest) => Math.hypot(column - rest, ROWS_UP)));
  return SECONDS_A_BIT * Math.log2(distance + 1);
};

/**
 * How much longer a digit takes than the one that is nearest, in s.
 * @example extraReach('2', 'left').toFixed(2) // '0.00'
 * @example extraReach('0', 'left').toFixed(2) // '0.23'
 */
export const extraReach = (digit: Digit, block: Block): number =>
  secondsTo(digit, block) - Math.min(...DIGITS.map((one) => secondsTo(one, block)));
