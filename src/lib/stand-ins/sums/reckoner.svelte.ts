import type { Evaluate } from './sums';

/** What evaluates comes after the page, and only where there are sums. */
class Reckoner {
  evaluate = $state.raw<Evaluate | null>(null);
  #asked = false;

  /** Loads it, once. */
  load(): void {
    if (this.#asked) return;
    this.#asked = true;
    import('./evaluate').then(
      ({ evaluate }) => (this.evaluate = evaluate),
      // The next one who looks asks again.
      () => (this.#asked = false),
    );
  }
}

/** The page's reckoner. */
export const reckoner = new Reckoner();
