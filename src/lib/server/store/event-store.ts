import { createHash } from 'node:crypto';
import type { Kysely, Transaction } from 'kysely';
import { LRUCache } from 'lru-cache';
import type { Host, Refusal } from '../../core/host/host';
import { decideBatch, type Confirmation } from '../../core/replica/replica';
import type { Batch } from '../../core/session/commands';
import { reduceAll } from '../../core/session/reduce';
import type { Session } from '../../core/session/session';
import type { Schema } from '../database/schema';
import { Subscribers } from './subscribers';

/** A session and the number of the last event in it. */
export interface StoredSession {
  readonly session: Session;
  readonly seq: number;
}

export type Appended =
  | { readonly kind: 'appended' | 'known'; readonly confirmation: Confirmation }
  | { readonly kind: 'no-session' }
  | { readonly kind: 'id-reused' }
  | { readonly kind: 'refused'; readonly index: number; readonly refusal: Refusal };

/** After this many events a new snapshot is taken, so that no load replays more than these. */
export const EVENTS_PER_SNAPSHOT = 500;

/** Sessions held in memory between two batches, to save loading them again. */
const CACHED_SESSIONS = 64;

/**
 * The append-only event log of every session. Event numbers are dense: a session's first event is 1. It is the
 * authority: a batch is decided here, under a lock on its session, and nothing is acknowledged before it is on disk.
 */
export class EventStore {
  readonly subscribers = new Subscribers<Confirmation>();
  readonly #cache = new LRUCache<string, StoredSession>({ max: CACHED_SESSIONS });
  /** Events replayed by loads so far; what the snapshots keep small. */
  replayed = 0;

  constructor(
    readonly db: Kysely<Schema>,
    readonly host: Host,
  ) {}

  /** Stores a new session; answers false if the id is taken. */
  async create(id: string, session: Session): Promise<boolean> {
    const inserted = await this.db
      .insertInto('session')
      .values({ id, snapshot: JSON.stringify(session) })
      .onConflict((conflict) => conflict.column('id').doNothing())
      .returning('id')
      .execute();
    return inserted.length > 0;
  }

  /** The session as it is now; null if there is none with this id. */
  async load(id: string): Promise<StoredSession | null> {
    return this.db
      .transaction()
      .setIsolationLevel('repeatable read')
      .execute((trx) => this.#load(trx, id, 'read'));
  }

  /**
   * Decides a batch and writes down what follows from it, all of it or nothing. A batch that was written down
   * before is answered with the same confirmation.
   */
  async append(id: string, batch: Batch): Promise<Appended> {
    const digest = createHash('sha256').update(JSON.stringify(batch.commands)).digest('hex');
    const { result, stored } = await this.db.transaction().execute(async (trx) => {
      const before = await this.#load(trx, id, 'lock');
      if (!before) return { result: { kind: 'no-session' } as const, stored: null };
      const known = await this.#known(trx, id, batch.id, digest);
      if (known) return { result: known, stored: null };
      const decision = decideBatch(this.host, before.session, batch);
      if (!decision.ok) return { result: { kind: 'refused', ...decision } as const, stored: null };
      const confirmation: Confirmation = { batch: batch.id, first: before.seq + 1, events: decision.events };
      const after = { session: decision.session, seq: before.seq + decision.events.length };
      await this.#write(trx, id, confirmation, digest, after);
      return { result: { kind: 'appended', confirmation } as const, stored: after };
    });
    if (stored) this.#cache.set(id, stored);
    if (result.kind === 'appended' && result.confirmation.events.length > 0)
      this.subscribers.publish(id, result.confirmation);
    return result;
  }

  /** What was written down after event `seq`, oldest first, a confirmation a batch; empty for an unknown session. */
  async after(id: string, seq: number): Promise<Confirmation[]> {
    const rows = await this.db
      .selectFrom('event')
      .select(['seq', 'batch_id', 'body'])
      .where('session_id', '=', id)
      .where('seq', '>', seq)
      .orderBy('seq')
      .execute();
    const confirmations: { batch: string; first: number; events: Confirmation['events'][number][] }[] = [];
    for (const row of rows) {
      const last = confirmations.at(-1);
      if (last?.batch === row.batch_id) last.events.push(row.body);
      else confirmations.push({ batch: row.batch_id, first: row.seq, events: [row.body] });
    }
    return confirmations;
  }

  /** Whether there is a session with this id. */
  async has(id: string): Promise<boolean> {
    const row = await this.db.selectFrom('session').select('id').where('id', '=', id).executeTakeFirst();
    return row !== undefined;
  }

  async #load(trx: Transaction<Schema>, id: string, how: 'read' | 'lock'): Promise<StoredSession | null> {
    const head = trx.selectFrom('session').select(['last_seq', 'snapshot_seq']).where('id', '=', id);
    const row = await (how === 'lock' ? head.forUpdate() : head).executeTakeFirst();
    if (!row) return null;
    const cached = this.#cache.get(id);
    if (cached?.seq === row.last_seq) return cached;
    const base = cached && cached.seq >= row.snapshot_seq ? cached : await this.#snapshot(trx, id);
    const tail = await trx
      .selectFrom('event')
      .select('body')
      .where('session_id', '=', id)
      .where('seq', '>', base.seq)
      .where('seq', '<=', row.last_seq)
      .orderBy('seq')
      .execute();
    this.replayed += tail.length;
    const stored = {
      session: reduceAll(
        base.session,
        tail.map(({ body }) => body),
      ),
      seq: row.last_seq,
    };
    this.#cache.set(id, stored);
    return stored;
  }

  async #snapshot(trx: Transaction<Schema>, id: string): Promise<StoredSession> {
    const { snapshot, snapshot_seq } = await trx
      .selectFrom('session')
      .select(['snapshot', 'snapshot_seq'])
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    return { session: snapshot, seq: snapshot_seq };
  }

  async #known(
    trx: Transaction<Schema>,
    id: string,
    batch: string,
    digest: string,
  ): Promise<Appended | null> {
    const row = await trx
      .selectFrom('batch')
      .select(['first_seq', 'event_count', 'digest'])
      .where('session_id', '=', id)
      .where('id', '=', batch)
      .executeTakeFirst();
    if (!row) return null;
    if (row.digest !== digest) return { kind: 'id-reused' };
    const events = await trx
      .selectFrom('event')
      .select('body')
      .where('session_id', '=', id)
      .where('seq', '>=', row.first_seq)
      .where('seq', '<', row.first_seq + row.event_count)
      .orderBy('seq')
      .execute();
    const confirmation = { batch, first: row.first_seq, events: events.map(({ body }) => body) };
    return { kind: 'known', confirmation };
  }

  async #write(
    trx: Transaction<Schema>,
    id: string,
    { batch, first, events }: Confirmation,
    digest: string,
    after: StoredSession,
  ): Promise<void> {
    await trx
      .insertInto('batch')
      .values({ session_id: id, id: batch, first_seq: first, event_count: events.length, digest })
      .execute();
    if (events.length === 0) return;
    const rows = events.map((event, index) => ({
      session_id: id,
      seq: first + index,
      batch_id: batch,
      body: JSON.stringify(event),
    }));
    await trx.insertInto('event').values(rows).execute();
    await trx.updateTable('session').set({ last_seq: after.seq }).where('id', '=', id).execute();
    // A snapshot whenever the count passes a multiple of EVENTS_PER_SNAPSHOT.
    const due = Math.floor(after.seq / EVENTS_PER_SNAPSHOT) > Math.floor((first - 1) / EVENTS_PER_SNAPSHOT);
    if (!due) return;
    await trx
      .updateTable('session')
      .set({ snapshot: JSON.stringify(after.session), snapshot_seq: after.seq })
      .where('id', '=', id)
      .execute();
  }
}
