import { sql, type Kysely, type Migration } from 'kysely';
import { fromDocument } from '../../../core/formats/session-document';
import { find, idsIn } from '../../../core/model/table';
import { sessionFrom, storedEvent, storedSession } from '../../../core/protocol/upcast';
import {
  isVisible,
  problemsOf,
  reduceAll,
  type Session,
  type SessionEvent,
} from '../../../core/session/session';
import { ellavane } from '../../../demo/ellavane';
import { DEMO_ID } from '../../../demo/demo-id';
import { eventNow } from './0002-events-then';

/** The tables that this migration takes over. */
type Then = {
  session: { id: string; created_at: Date; snapshot: unknown; snapshot_seq: number };
  batch: {
    session_id: string;
    id: string;
    first_seq: number;
    event_count: number;
    digest: string;
    received_at: Date;
  };
  event: { session_id: string; seq: number; batch_id: string; body: object };
};

/**
 * One log row a batch, its events in it. (session, first number) is the key, so whoever writes on an outdated state
 * finds the place taken. Batches without events are no history and go. Snapshots are derived anew from the log:
 * reading while something was written could spoil them.
 */
export const oneRowABatch: Migration = {
  async up(anyDb: Kysely<unknown>) {
    const db = anyDb.withTables<Then>();
    await sql`
      create table log (
        session_id text not null,
        first_seq integer not null,
        event_count integer not null check (event_count > 0),
        id uuid not null,
        digest text not null,
        received_at timestamptz not null default now(),
        events json not null,
        constraint log_place primary key (session_id, first_seq),
        constraint log_batch unique (session_id, id))`.execute(db);
    const sessions = await db.selectFrom('session').select('id').orderBy('id').execute();
    for (const { id } of sessions) await moveSession(db, id);
    await sql`drop table event`.execute(db);
    await sql`drop table batch`.execute(db);
    await sql`drop function refuse_rewriting()`.execute(db);
    await sql`alter table session drop column last_seq`.execute(db);
    await appendOnly(db);
  },
};

/**
 * Nothing in the log is ever changed. A row may only go once its session is gone, or once a snapshot holds what it
 * led to: not even the application's own mistakes may rewrite history.
 */
async function appendOnly(db: Kysely<Then>): Promise<void> {
  await sql`
    create function refuse_rewriting() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' and not exists (
        select from session
        where id = old.session_id and snapshot_seq < old.first_seq + old.event_count - 1)
      then return old; end if;
      raise exception 'the event log is append-only';
    end $$`.execute(db);
  await sql`
    create trigger log_append_only before update or delete on log
    for each row execute function refuse_rewriting()`.execute(db);
  await sql`
    create function refuse_truncating() returns trigger language plpgsql as $$
    begin raise exception 'the event log is append-only'; end $$`.execute(db);
  await sql`
    create trigger log_not_truncated before truncate on log
    for each statement execute function refuse_truncating()`.execute(db);
}

async function moveSession(db: Kysely<Then>, id: string): Promise<void> {
  const batches = await db
    .selectFrom('batch')
    .selectAll()
    .where('session_id', '=', id)
    .where('event_count', '>', 0)
    .orderBy('first_seq')
    .execute();
  const log: SessionEvent[] = [];
  for (const batch of batches) {
    const rows = await db
      .selectFrom('event')
      .select('body')
      .where('session_id', '=', id)
      .where('batch_id', '=', batch.id)
      .orderBy('seq')
      .execute();
    const events = rows.map(({ body }) => eventNow(body));
    log.push(...events);
    await sql`insert into log (session_id, first_seq, event_count, id, digest, received_at, events)
      values (${id}, ${batch.first_seq}, ${events.length}, ${batch.id}, ${batch.digest}, ${batch.received_at},
        ${JSON.stringify(events.map(storedEvent))})`.execute(db);
  }
  const row = await db
    .selectFrom('session')
    .select(['created_at', 'snapshot', 'snapshot_seq'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  const stored = sessionFrom(row.snapshot as object);
  const now = derived(id, { ...row, snapshot: stored }, log);
  await db
    .updateTable('session')
    .set({ snapshot: JSON.stringify(storedSession(now)), snapshot_seq: log.length })
    .where('id', '=', id)
    .execute();
}

/**
 * The session at the end of its log: from where it began, which is kept for logs of fewer than 500 events and known
 * for the demo; else from its last snapshot, whose lists are put in order if they were spoiled.
 */
function derived(
  id: string,
  { created_at, snapshot, snapshot_seq }: { created_at: Date; snapshot: Session; snapshot_seq: number },
  log: readonly SessionEvent[],
): Session {
  const begin = snapshot_seq === 0 ? snapshot : id === DEMO_ID ? fromDocument(ellavane(created_at)) : null;
  const fromBegin = begin && tryReduce(begin, log);
  if (fromBegin && problemsOf(fromBegin).length === 0) return fromBegin;
  return mended(tryReduce(mended(snapshot), log.slice(snapshot_seq)) ?? snapshot);
}

/** Null if the log does not fit the state: a spoiled state may have led to events that make no sense on a sound one. */
function tryReduce(begin: Session, log: readonly SessionEvent[]): Session | null {
  try {
    return reduceAll(begin, log);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** The session with its lists in order: everything that is there once, nothing that is not. */
function mended(session: Session): Session {
  if (problemsOf(session).length === 0) return session;
  const windows = session.windows.filter((window) => find(session.applications, window.application)?.running);
  const running = session.applications.filter((application) => application.running);
  const order = (uses: Session['recent']['windows'], ids: readonly string[]) => {
    const at = new Map(uses.toReversed().map((use) => [use.id, use.at]));
    return onceEach(
      uses.map(({ id }) => id),
      ids,
    ).map((id) => ({ id, at: at.get(id) ?? null }));
  };
  const recent = {
    windows: order(session.recent.windows, idsIn(windows)),
    applications: order(session.recent.applications, idsIn(running)),
  };
  const stacking = onceEach(session.stacking.toReversed(), idsIn(windows)).toReversed();
  const calm: Session = { ...session, windows, recent, stacking, front: null };
  const front = recent.windows[0] && find(windows, recent.windows[0].id);
  const onTop =
    front &&
    isVisible(calm, front) &&
    recent.applications[0]?.id === front.application &&
    stacking.at(-1) === front.id;
  return onTop ? { ...calm, front: front.id } : calm;
}

/** The ids that there are, in the order of a list that may miss some, repeat some, and name others. */
function onceEach(list: readonly string[], ids: readonly string[]): string[] {
  const there = new Set(ids);
  return [...new Set([...list.filter((id) => there.has(id)), ...ids])];
}
