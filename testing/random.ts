/** Random choices that a seed repeats. */
import fc from 'fast-check';

export class Random {
  #state: number;

  constructor(seed: number) {
    this.#state = seed >>> 0 || 1;
  }

  /** A number from 0 up to but not including `limit` (mulberry32, public domain; from memory). */
  below(limit: number): number {
    this.#state = (this.#state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(this.#state ^ (this.#state >>> 15), this.#state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) % limit;
  }

  one<T>(among: readonly T[]): T {
    return among[this.below(among.length)] as T;
  }

  /** One value of an arbitrary. */
  sample<T>(arbitrary: fc.Arbitrary<T>): T {
    return fc.sample(arbitrary, { numRuns: 1, seed: this.below(2 ** 31) })[0] as T;
  }
}
