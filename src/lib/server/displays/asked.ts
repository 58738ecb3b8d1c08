import { randomUUID } from 'node:crypto';

/** So long, in ms, an agent may take to answer what is asked again anyway. */
const PATIENCE_MS = 1_000;

/** What an agent was asked and has not answered yet. Answers go from it to whoever asked, and stay nowhere. */
export class Asked<Answer> {
  /** @param patience in ms */
  constructor(readonly patience = PATIENCE_MS) {}

  readonly #asked = new Map<string, (answer: Answer | null) => void>();

  /** Asks under a new id; null if the agent does not answer in time. */
  ask(say: (id: string) => void): Promise<Answer | null> {
    return new Promise((resolve) => {
      const id = randomUUID();
      const end = (answer: Answer | null) => {
        clearTimeout(timer);
        this.#asked.delete(id);
        resolve(answer);
      };
      const timer = setTimeout(() => end(null), this.patience);
      this.#asked.set(id, end);
      say(id);
    });
  }

  /** The agent has answered. */
  answered(id: string, answer: Answer): void {
    this.#asked.get(id)?.(answer);
  }
}
