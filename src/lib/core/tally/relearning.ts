/** What it costs that a key means something else from now on. */
import type { Operators } from './operators';

/** Of the power law of practice: the middle of what is common (A. Newell, P. S. Rosenbloom 1981: 0.2 to 0.6; from memory). */
const EXPONENT = 0.4;

/**
 * What learning a key costs in all, in s, if it is used so many times: making up one's mind, M the first time and M n^−a the
 * nth, until that is no more than a key takes.
 * @example relearningSeconds(1, { key: 0.2, pointing: 1.1, homing: 0.4, mental: 1.35 }) // 1.35
 */
export function relearningSeconds(uses: number, { key, mental }: Operators): number {
  let sum = 0;
  for (let n = 1; n <= uses; n += 1) {
    const extra = mental * n ** -EXPONENT;
    if (extra <= key) break;
    sum += extra;
  }
  return sum;
}
