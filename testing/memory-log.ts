/** The log of one session in memory, for what writes to it, with all that can happen to a real one. */
import pg from 'pg';
import type { Batch } from '../src/lib/core/commands/commands';
import { decide as decideNow } from '../src/lib/core/host/decide';
import { planOf } from '../src/lib/core/host/plan';
import { DONE, type Report } from '../src/lib/core/protocol/report';
import { reduceAll, type Session } from '../src/lib/core/session/session';
import type { Appended, Known, LaneStore } from '../src/lib/server/store/lane';
import { digestOf, logRow, reportIn, type LogRow } from '../src/lib/server/store/log-row';
import type { StoredSession } from '../src/lib/server/store/session-cache';

/** What PostgreSQL says of a key that is there already (SQLSTATE 23505, unique_violation). */
export const taken = (): Error =>
  Object.assign(new pg.DatabaseError('duplicate key value', 0, 'error'), { code: '23505' });

export class MemoryLog implements LaneStore {
  readonly rows: LogRow[] = [];
  /** How many rows each statement had that was tried. */
  readonly statements: number[] = [];
  /** What the next statements fail with, one after the other; undefined: they do not. */
  readonly troubles: (Error | undefined)[] = [];
  /** What was told of what was stored: after which event, up to which, and the reports. */
  readonly told: { before: number; after: number; reports: readonly Report[] }[] = [];
  forgotten = 0;
  #newest: StoredSession | null;
  #cached: StoredSession | undefined;

  constructor(
    session: Session,
    readonly decide: LaneStore['decide'] = decideNow,
  ) {
    this.#newest = { session, seq: 0 };
  }

  cached(): StoredSession | undefined {
    return this.#cached;
  }

  async load(): Promise<StoredSession | null> {
    this.#cached = this.#newest ?? undefined;
    return Promise.resolve(this.#newest);
  }

  forget(): void {
    this.forgotten += 1;
    this.#cached = undefined;
  }

  known(batches: readonly Known[]): Promise<Map<string, Appended>> {
    const digests = new Map(batches.map(({ batch, digest }) => [batch, digest]));
    const answers = this.rows.flatMap((row): [string, Appended][] => {
      if (row.batch === null || !digests.has(row.batch)) return [];
      if (digests.get(row.batch) !== row.digest) return [[row.batch, { kind: 'id-reused' }]];
      return [[row.batch, { kind: 'known', report: reportIn(readRow(row)) }]];
    });
    return Promise.resolve(new Map(answers));
  }

  /** Takes a turn of the event loop, so that more can come meanwhile. */
  async write(rows: readonly LogRow[]): Promise<boolean> {
    this.statements.push(rows.length);
    const trouble = this.troubles.shift();
    await new Promise((resolve) => setImmediate(resolve));
    if (trouble) throw trouble;
    if (!this.#newest) return false;
    const ids = new Set(this.rows.map(({ batch }) => batch).filter((batch) => batch !== null));
    if (rows.some(({ batch }) => batch !== null && ids.has(batch)) || rows[0]?.first !== this.#newest.seq + 1)
      throw taken();
    for (const row of rows) this.#add(row);
    return true;
  }

  stored(before: StoredSession, after: StoredSession, reports: readonly Report[]): void {
    this.#cached = after;
    this.told.push({ before: before.seq, after: after.seq, reports });
  }

  /** Another server carries a batch out, of which this one hears nothing. */
  elsewhere(batch: Batch): void {
    const plan = this.#newest ? planOf(this.#newest.session, batch) : null;
    if (!plan?.ok || plan.events.length === 0 || !this.#newest) throw new Error('Nothing comes of it.');
    const report: Report = {
      batch: batch.id,
      first: this.#newest.seq + 1,
      events: plan.events,
      settles: DONE,
    };
    this.#add(logRow('s', report, digestOf(batch)));
  }

  /** The session is deleted, of which this server hears nothing. */
  remove(): void {
    this.#newest = null;
  }

  #add(row: LogRow): void {
    if (!this.#newest) return;
    this.rows.push(row);
    const session = reduceAll(this.#newest.session, reportIn(readRow(row)).events);
    this.#newest = { session, seq: this.#newest.seq + row.count };
  }
}

const readRow = ({ batch, cause, origin, first, events }: LogRow) => ({
  id: batch,
  cause,
  origin,
  first_seq: first,
  events: JSON.parse(events) as object[],
});
