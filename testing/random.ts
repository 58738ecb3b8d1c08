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

  /** A number from 0 up to but not including 1. */
  share(): number {
    return this.below(2 ** 30) / 2 ** 30;
  }

  one<T>(among: readonly T[]): T {
    return among[this.below(among.length)] as T;
  }

  /** True with this probability. */
  chance(probability: number): boolean {
    return this.below(2 ** 30) < probability * 2 ** 30;
  }

  /** One of some, each as often as its weight says. */
  weighted<T>(among: readonly (readonly [one: T, weight: number])[]): T {
    const sum = among.reduce((total, [, weight]) => total + weight, 0);
    let left = (this.below(2 ** 30) / 2 ** 30) * sum;
    const chosen = among.find(([, weight]) => (left -= weight) < 0) ?? among[among.length - 1];
    return (chosen as (typeof among)[number])[0];
  }

  /** In a random order (Fisher and Yates). */
  shuffled<T>(list: readonly T[]): T[] {
    const order = [...list];
    for (let n = order.length - 1; n > 0; n -= 1) {
      const other = this.below(n + 1);
      [order[n], order[other]] = [order[other] as T, order[n] as T];
    }
    return order;
  }

  /** One value of an arbitrary. */
  sample<T>(arbitrary: fc.Arbitrary<T>): T {
    return fc.sample(arbitrary, { numRuns: 1, seed: this.below(2 ** 31) })[0] as T;
  }
}
