/** Who listens to what, by topic. A listener that throws does not keep the others from hearing. */
export class Subscribers<T> {
  readonly #listeners = new Map<string, Set<(message: T) => void>>();

  /** Calls `listener` with every message on `topic` until the returned function is called. */
  subscribe(topic: string, listener: (message: T) => void): () => void {
    const listeners = this.#listeners.get(topic) ?? new Set();
    this.#listeners.set(topic, listeners.add(listener));
    return () => {
      listeners.delete(listener);
      if (listeners.size === 0) this.#listeners.delete(topic);
    };
  }

  /** What somebody listens to. */
  get topics(): string[] {
    return [...this.#listeners.keys()];
  }

  /** How many listen to a topic. */
  count(topic: string): number {
    return this.#listeners.get(topic)?.size ?? 0;
  }

  /** Tells everybody who listens to a topic. */
  publish(topic: string, message: T): void {
    for (const listener of this.#listeners.get(topic) ?? []) {
      try {
        listener(message);
      } catch (error) {
        console.error('A subscriber failed:', error);
      }
    }
  }
}
