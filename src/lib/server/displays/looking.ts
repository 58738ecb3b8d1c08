import { randomUUID } from 'node:crypto';
import type { Look, LookedAt, Picture, Seen } from '../../core/display/pictures';

/** So long, in ms, an agent may take to answer: whoever asked asks again anyway. */
const PATIENCE_MS = 1_000;

/** What an agent was asked to show and has not shown yet. Pictures go from it to whoever asked, and stay nowhere. */
export class Looking {
  readonly #asked = new Map<string, (pictures: readonly Picture[]) => void>();

  /** Asks for pictures; none if the agent does not answer in time. */
  ask(say: (look: Look) => void, windows: readonly LookedAt[]): Promise<readonly Picture[]> {
    return new Promise((resolve) => {
      const id = randomUUID();
      const end = (pictures: readonly Picture[]) => {
        clearTimeout(timer);
        this.#asked.delete(id);
        resolve(pictures);
      };
      const timer = setTimeout(() => end([]), PATIENCE_MS);
      this.#asked.set(id, end);
      say({ type: 'look', id, windows });
    });
  }

  /** The agent has answered. */
  seen({ id, pictures }: Seen): void {
    this.#asked.get(id)?.(pictures);
  }
}
