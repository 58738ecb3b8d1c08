import { Unavailable } from '../database/trouble';

/** Requests of one kind that are worked on at once, and that may wait. */
const AT_ONCE = 8;
const MOST_WAITING = 256;

interface Line {
  working: number;
  readonly waiting: (() => void)[];
}

/**
 * Turns by key: a few requests of each are worked on at once, and the rest wait in line before anything was done for
 * them, so that a crowd with one key leaves room for everybody else.
 */
export class Turns {
  readonly #lines = new Map<string, Line>();

  /**
   * Does `work` when its turn has come.
   * @throws Unavailable if too many wait already.
   */
  async take<R>(key: string, work: () => Promise<R>): Promise<R> {
    const line = this.#lines.get(key) ?? { working: 0, waiting: [] };
    this.#lines.set(key, line);
    if (line.working >= AT_ONCE) {
      if (line.waiting.length >= MOST_WAITING)
        throw new Unavailable('Too many requests wait for this session.');
      // Whoever is done hands the turn on, so the number at work stays.
      await new Promise<void>((resolve) => line.waiting.push(resolve));
    } else line.working += 1;
    try {
      return await work();
    } finally {
      const next = line.waiting.shift();
      if (next) setImmediate(next);
      else this.#done(key, line);
    }
  }

  #done(key: string, line: Line): void {
    line.working -= 1;
    if (line.working === 0) this.#lines.delete(key);
  }
}
