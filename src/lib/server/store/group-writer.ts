import type { Kysely } from 'kysely';
import { run } from '../database/connect';
import type { Schema } from '../database/schema';
import { isUnavailable } from '../database/trouble';
import type { LogRow } from './log-row';
import { WRITE, WRITE_AND_TELL, WRITE_ONE } from './statements';

/** Statements under way at once. */
const WRITERS = 2;
/** Rows in one statement, unless one part alone has more. */
const MOST_ROWS = 256;

/** Rows of one session that belong together. */
interface Part {
  readonly rows: readonly LogRow[];
  readonly written: (there: boolean) => void;
  readonly failed: (error: unknown) => void;
}

/**
 * Group commit: what several sessions have to write is stored by one statement, and each is told when that has
 * returned, that is, when it is on disk.
 */
export class GroupWriter {
  readonly #waiting: Part[] = [];
  #running = 0;

  /** @param teller in whose name other servers are told what was written; null while there are none. */
  constructor(
    readonly db: Kysely<Schema>,
    readonly teller: () => string | null,
  ) {}

  /**
   * Stores rows of one session, all of them or none. Answers whether the session is there.
   * @throws an error that `isTaken` if a number or a batch id is there already.
   */
  write(rows: readonly LogRow[]): Promise<boolean> {
    return new Promise((written, failed) => {
      this.#waiting.push({ rows, written, failed });
      this.#schedule();
    });
  }

  /** With nothing under way nobody need wait; else what this turn of the event loop brings goes together. */
  #schedule(): void {
    if (this.#running === 0) queueMicrotask(() => this.#start());
    else setImmediate(() => this.#start());
  }

  #start(): void {
    while (this.#running < WRITERS && this.#waiting.length > 0) {
      this.#running += 1;
      void this.#store(this.#nextGroup()).finally(() => {
        this.#running -= 1;
        this.#schedule();
      });
    }
  }

  #nextGroup(): Part[] {
    let rows = 0;
    let parts = 0;
    for (const part of this.#waiting) {
      rows += part.rows.length;
      if (parts > 0 && rows > MOST_ROWS) break;
      parts += 1;
    }
    return this.#waiting.splice(0, parts);
  }

  /** A statement that fails for one part stores nothing; then each is stored alone, so that only that one fails. */
  async #store(parts: readonly Part[]): Promise<void> {
    try {
      const there = await this.#insert(parts);
      for (const { rows, written } of parts) written(rows.every(({ session }) => there.has(session)));
    } catch (error) {
      if (parts.length === 1 || isUnavailable(error)) for (const { failed } of parts) failed(error);
      else for (const part of parts) await this.#store([part]);
    }
  }

  /** Answers with the sessions that are there. Rows go in one order, so that two servers never wait in a circle. */
  async #insert(parts: readonly Part[]): Promise<Set<string>> {
    const rows = parts
      .flatMap((part) => part.rows)
      .sort((a, b) => (a.session < b.session ? -1 : a.session > b.session ? 1 : a.first - b.first));
    const [only] = rows;
    const teller = this.teller();
    const columns = () => transposed(rows.map(columnsOf));
    const stored =
      teller !== null
        ? await run<Stored>(this.db, WRITE_AND_TELL, [...columns(), teller])
        : rows.length === 1 && only?.switched === null
          ? await run<Stored>(this.db, WRITE_ONE, columnsOf(only).slice(0, -1))
          : await run<Stored>(this.db, WRITE, columns());
    return new Set(stored.map(({ session_id }) => session_id));
  }
}

interface Stored {
  readonly session_id: string;
}

const columnsOf = ({ session, first, count, batch, cause, origin, digest, events, switched }: LogRow) =>
  [session, first, count, batch, cause, origin, digest, events, switched] as const;

const transposed = (rows: readonly (readonly unknown[])[]): unknown[][] =>
  (rows[0] ?? []).map((_, column) => rows.map((row) => row[column]));
