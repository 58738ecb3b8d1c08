import { Unavailable } from '../database/trouble';

/** Requests with one key that are worked on at once: while others were there lately, and while it is alone. */
const AT_ONCE = 8;
const AT_ONCE_ALONE = 48;
/** How long ago others may have been there, in ms. */
const LATELY_MS = 1_000;
/** Requests with one key that may wait. */
const MOST_WAITING = 256;

interface Line {
  working: number;
  readonly waiting: (() => void)[];
}

interface Seen {
  readonly key: string;
  readonly at: number;
}

/**
 * Turns by key: a few requests of each are worked on at once, and the rest wait in line before anything was done for
 * them, so that a crowd with one key leaves room for everybody else. Where nobody else is, a crowd has more room.
 */
export class Turns {
  readonly #lines = new Map<string, Line>();
  /** The key that was there last, and the last other one. */
  #last: Seen | null = null;
  #other: Seen | null = null;

  /** @param now the time in ms of any one clock */
  constructor(readonly now: () => number = () => performance.now()) {}

  /**
   * Does `work` when its turn has come.
   * @throws Unavailable if too many wait already.
   */
  async take<R>(key: string, work: () => Promise<R>): Promise<R> {
    this.#see(key);
    const line = this.#lines.get(key) ?? { working: 0, waiting: [] };
    this.#lines.set(key, line);
    if (line.waiting.length > 0 || line.working >= this.#room(key)) {
      if (line.waiting.length >= MOST_WAITING)
        throw new Unavailable('Too many requests wait for this session.');
      await new Promise<void>((resolve) => line.waiting.push(resolve));
    } else line.working += 1;
    try {
      return await work();
    } finally {
      this.#done(key, line);
    }
  }

  /** Whoever is done makes room for the next in line; for several, if there is more room than there was. */
  #done(key: string, line: Line): void {
    line.working -= 1;
    const room = this.#room(key);
    while (line.working < room) {
      const next = line.waiting.shift();
      if (!next) break;
      line.working += 1;
      setImmediate(next);
    }
    if (line.working === 0) this.#lines.delete(key);
  }

  #see(key: string): void {
    if (this.#last && this.#last.key !== key) this.#other = this.#last;
    this.#last = { key, at: this.now() };
  }

  #room(key: string): number {
    const other = this.#last?.key === key ? this.#other : this.#last;
    return other && this.now() - other.at < LATELY_MS ? AT_ONCE : AT_ONCE_ALONE;
  }
}
