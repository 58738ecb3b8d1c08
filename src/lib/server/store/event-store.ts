import type { Carrier } from '../../core/host/carrier';
import { decide } from '../../core/host/decide';
import type { Report } from '../../core/protocol/report';
import type { Batch } from '../../core/commands/commands';
import { reduceAll, type Session } from '../../core/session/session';
import { eventFrom, sessionFrom, storedSession } from '../../core/protocol/upcast';
import { run, type Database } from '../database/connect';
import { isUnavailable, Unavailable } from '../database/trouble';
import { LiveSession } from '../live/live-session';
import { GroupWriter } from './group-writer';
import { NewsOfOthers } from './news-of-others';
import { OtherServers } from './other-servers';
import { KeptPictures } from '../pictures/kept-pictures';
import { Locks } from '../locks/locks';
import { Publisher } from './publisher';
import { Lane, type Appended, type Known, type LaneStore } from './lane';
import { digestOf, reportIn, type ReadRow } from './log-row';
import { SessionCache, type StoredSession } from './session-cache';
import { AFTER, KNOWN, LAST, LOAD, PRUNE, SNAPSHOT } from './statements';

/** After this many events a new snapshot is taken, so that no load replays many more than these. */
export const EVENTS_PER_SNAPSHOT = 500;

/** How long the log is kept behind its snapshot, in days. */
export const DAYS_KEPT = 30;

/**
 * The append-only event log of every session. Event numbers are dense: a session's first event is 1. It is the
 * authority: a batch is decided here, in its session's lane, and nothing is acknowledged before it is on disk.
 */
export class EventStore {
  readonly publisher = new Publisher();
  readonly others: OtherServers;
  readonly locks: Locks;
  readonly pictures: KeptPictures;
  readonly #newsOfOthers = new NewsOfOthers(this);
  readonly #cache = new SessionCache();
  readonly #lanes = new Map<string, Lane>();
  /** Sessions whose windows something has that is connected to this server. */
  readonly #live = new Map<string, LiveSession>();
  readonly #writer: GroupWriter;
  readonly #snapshotting = new Set<string>();
  readonly #removing = new Set<string>();
  /** Events replayed by loads so far; what the snapshots keep small. */
  replayed = 0;
  /** Streams that are open. */
  streams = 0;

  constructor(
    readonly database: Database,
    readonly decideOne = decide,
  ) {
    const others = new OtherServers(database.url, {
      wrote: (session, first) => void this.#newsOfOthers.wrote(session, first),
      removed: (session) => this.#gone(session),
      lock: (session) => void this.locks.look(session).catch(lockUnknown),
      missed: () => {
        void this.locks.lookAtAll().catch(lockUnknown);
        for (const session of this.publisher.followed) this.publisher.tellMore(session);
      },
    });
    this.others = others;
    this.locks = new Locks(database, {
      locked: (session) => this.publisher.tellLocked(session),
      written: (session) => void others.sayLock(session).catch(lockUnknown),
    });
    this.pictures = new KeptPictures(database);
    this.#writer = new GroupWriter(database.write, () => (others.any ? others.id : null));
  }

  /** Starts to hear of what other servers on the same database write. */
  async hearOthers(): Promise<void> {
    await this.locks.lookAtAll();
    await this.others.open();
  }

  /** Stops hearing of other servers. */
  async close(): Promise<void> {
    await this.others.close();
  }

  /** Whether a session is locked, as far as this server knows. */
  isLocked(id: string): boolean {
    return this.locks.has(id);
  }

  /** Stores a new session; answers false if the id is taken. */
  create(id: string, session: Session): Promise<boolean> {
    return this.createFromJson(id, JSON.stringify(storedSession(session)));
  }

  /** The same with a session that is JSON already. */
  async createFromJson(id: string, session: string): Promise<boolean> {
    const inserted = await this.#reaching(() =>
      this.database.write
        .insertInto('session')
        .values({ id, snapshot: session })
        .onConflict((conflict) => conflict.column('id').doNothing())
        .returning('id')
        .execute(),
    );
    return inserted.length > 0;
  }

  /** Removes a session and its log, once what is under way is stored; answers false if there is none. */
  async remove(id: string): Promise<boolean> {
    this.#removing.add(id);
    try {
      this.#live.get(id)?.close();
      this.#live.delete(id);
      await this.#lanes.get(id)?.drained();
      const removed = await this.#reaching(() =>
        this.database.write.transaction().execute(async (trx) => {
          const session = await trx.deleteFrom('session').where('id', '=', id).executeTakeFirst();
          await trx.deleteFrom('log').where('session_id', '=', id).execute();
          await trx.deleteFrom('switch').where('session_id', '=', id).execute();
          return session.numDeletedRows > 0n;
        }),
      );
      if (removed) {
        this.#gone(id);
        await this.others.sayRemoved(id).catch(() => undefined);
      } else this.#cache.forget(id);
      return removed;
    } finally {
      this.#removing.delete(id);
    }
  }

  /** The session as it is now; null if there is none with this id. */
  async load(id: string): Promise<StoredSession | null> {
    const cached = this.#cache.get(id);
    const [row] = await this.#reaching(() =>
      run<{
        base_seq: number;
        snapshot: object | null;
        tail: readonly { first: number; events: object[] }[] | null;
      }>(this.database.read, LOAD, [id, cached?.seq ?? -1]),
    );
    if (!row) {
      this.#cache.forget(id);
      return null;
    }
    let session = row.snapshot ? sessionFrom(row.snapshot) : cached?.session;
    if (!session) throw new Error(`Session '${id}' has no snapshot.`);
    let seq = row.base_seq;
    for (const { first, events } of row.tail ?? []) {
      if (first !== seq + 1) throw new Error(`The log of '${id}' has a gap after event ${seq}.`);
      session = reduceAll(session, events.map(eventFrom));
      seq += events.length;
      this.replayed += events.length;
    }
    return this.#cache.keep(id, { session, seq });
  }

  /**
   * Decides a batch and writes down what follows from it, all of it or nothing. A batch that was written down
   * before is answered with the same report; `digest` tells it from one whose id is used again.
   * @throws Unavailable if the database cannot be used now: whether the batch was stored is not known then, and
   * sending it again is safe.
   */
  append(id: string, batch: Batch, digest = digestOf(batch)): Promise<Appended> {
    if (this.#removing.has(id)) return Promise.resolve({ kind: 'no-session' });
    const live = this.#live.get(id);
    if (live) return live.append(batch, digest);
    let lane = this.#lanes.get(id);
    if (!lane) {
      lane = this.#newLane(id);
      this.#lanes.set(id, lane);
    }
    return lane.append(batch, digest);
  }

  /**
   * What was written down after event `seq`, oldest first, a report a batch, at most `most` batches. A batch
   * that `seq` lies within comes whole.
   */
  async after(id: string, seq: number, most: number): Promise<Report[]> {
    const rows = await this.#reaching(() => run<ReadRow>(this.database.read, AFTER, [id, seq, most]));
    return rows.map(reportIn);
  }

  /** The number of a session's last event; null if there is no such session. */
  async last(id: string): Promise<number | null> {
    const [row] = await this.#reaching(() => run<{ seq: number }>(this.database.read, LAST, [id]));
    return row?.seq ?? null;
  }

  /** Removes the part of the logs that is behind its snapshots and older than {@link DAYS_KEPT}. */
  async prune(days = DAYS_KEPT): Promise<number> {
    const [row] = await run<{ removed: number }>(this.database.write, PRUNE, [days]);
    return row?.removed ?? 0;
  }

  /**
   * Connects what has the windows of a live session; the returned function disconnects it. What was under way before is
   * over then. `lost` is called when what it tells cannot be stored any more: then it is disconnected.
   * @throws RangeError if there is no such session, or it is not a live one, or it is connected already.
   */
  async attach(id: string, carrier: Carrier, lost: (error: unknown) => void): Promise<() => void> {
    const stored = await this.load(id);
    if (stored?.session.host.kind !== 'live') throw new RangeError(`There is no live session '${id}'.`);
    if (this.#live.has(id)) throw new RangeError(`The session '${id}' is connected already.`);
    const detach = () => {
      if (this.#live.get(id) === live) this.#live.delete(id);
      live.close();
    };
    const live = new LiveSession(id, stored, this.#laneStore(id), carrier, (error) => {
      detach();
      lost(error);
    });
    this.#live.set(id, live);
    return detach;
  }

  #newLane(id: string): Lane {
    return new Lane(id, this.#laneStore(id), () => this.#lanes.delete(id));
  }

  #laneStore(id: string): LaneStore {
    return {
      decide: this.decideOne,
      cached: () => this.#cache.get(id),
      load: () => this.load(id),
      forget: () => this.#cache.forget(id),
      known: (batches) => this.#known(id, batches),
      write: (rows) => this.#writer.write(rows),
      stored: (before, after, reports) => this.#stored(id, before, after, reports),
    };
  }

  #stored(id: string, before: StoredSession, after: StoredSession, reports: readonly Report[]): void {
    this.#cache.keep(id, after);
    this.publisher.tell(id, reports);
    const passed = (seq: number) => Math.floor(seq / EVENTS_PER_SNAPSHOT);
    if (passed(after.seq) > passed(before.seq)) void this.#takeSnapshot(id, after);
  }

  #gone(id: string): void {
    this.#cache.forget(id);
    this.#newsOfOthers.forget(id);
    this.publisher.tellGone(id);
  }

  /** A snapshot only saves work: one that fails is taken the next time. */
  async #takeSnapshot(id: string, { session, seq }: StoredSession): Promise<void> {
    if (this.#snapshotting.has(id)) return;
    this.#snapshotting.add(id);
    try {
      await run(this.database.write, SNAPSHOT, [id, JSON.stringify(storedSession(session)), seq]);
    } catch (error) {
      console.error(`A snapshot of '${id}' was not taken:`, error);
    } finally {
      this.#snapshotting.delete(id);
    }
  }

  async #known(id: string, batches: readonly Known[]): Promise<Map<string, Appended>> {
    const rows = await run<ReadRow & { readonly id: string; readonly digest: string }>(
      this.database.read,
      KNOWN,
      [id, batches.map(({ batch }) => batch)],
    );
    const digests = new Map(batches.map(({ batch, digest }) => [batch, digest]));
    return new Map(
      rows.map((row): [string, Appended] => {
        if (digests.get(row.id) !== row.digest) return [row.id, { kind: 'id-reused' }];
        return [row.id, { kind: 'known', report: reportIn(row) }];
      }),
    );
  }

  /** Says in one way that the database cannot be used. */
  async #reaching<R>(work: () => Promise<R>): Promise<R> {
    try {
      return await work();
    } catch (error) {
      if (!isUnavailable(error)) throw error;
      throw new Unavailable('The database cannot be used now.', { cause: error });
    }
  }
}

/** Whoever asks next looks again. */
const lockUnknown = (error: unknown): void => console.error('A lock could not be looked at:', error);
