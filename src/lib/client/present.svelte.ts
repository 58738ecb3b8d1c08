/**
 * A value that components show and that something else goes on from. The two read it differently: while an effect is torn
 * down, Svelte's signals read as they were before its turn, so that what is taken away still finds what it showed. A
 * program that is taken away writes down what stands in it; going on from what was before would undo what was heard
 * since.
 */
export class Present<T> {
  #now: T;
  #shown = $state.raw() as T;

  constructor(value: T) {
    this.#now = value;
    this.#shown = value;
  }

  /** What it is now. Nobody hears of a change by this. */
  get now(): T {
    return this.#now;
  }

  /** What is shown, for whoever draws it. */
  get shown(): T {
    return this.#shown;
  }

  /** From now on it is something else. */
  become(value: T): void {
    this.#now = value;
    this.#shown = value;
  }
}
