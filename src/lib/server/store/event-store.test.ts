import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { sql } from 'kysely';
import pg from 'pg';
import { describe, expect, it, vi } from 'vitest';
import { wishFrom, wishSeeds } from '../../../../testing/wishes';
import { batchOf, flip } from '../../../../testing/batches';
import { useDatabase } from '../../../../tests/use-database';
import { sessionOf, later } from '../../../../testing/sessions';
import { runs } from '../../../../testing/runs';
import { fromDocument } from '../../core/formats/session-document';
import { receive, replicaOf, submit } from '../../core/replica/replica';
import type { Wish } from '../../core/commands/commands';
import { problemsOf, reduceAll, type Session } from '../../core/session/session';
import { ellavane } from '../../demo/ellavane';
import { connect } from '../database/connect';
import { Unavailable } from '../database/trouble';
import type { News } from './publisher';
import { EVENTS_PER_SNAPSHOT, EventStore } from './event-store';
import { SNAPSHOT } from './statements';

const database = useDatabase();

const newStore = () => new EventStore(database.db);

async function newSession(line = 'a: a1 a2 | b: b1'): Promise<{ store: EventStore; id: string }> {
  const store = newStore();
  const id = `s-${randomUUID()}`;
  await store.create(id, sessionOf(line));
  return { store, id };
}

/** A batch of forty events. */
const longBatch = (n: number) =>
  batchOf(
    ...Array.from({ length: 40 }, (_, k): Wish => ({
      type: 'bring-to-front',
      window: (n * 40 + k) % 2 ? 'a1' : 'b1',
      raiseAll: false,
    })),
  );

const snapshotSeq = async (id: string) =>
  (
    await database.db.read
      .selectFrom('session')
      .select('snapshot_seq')
      .where('id', '=', id)
      .executeTakeFirstOrThrow()
  ).snapshot_seq;

/** More batches than any test writes. */
const ALL = 100_000;

describe('the event store', () => {
  it('numbers events densely from 1 and gives back the session they lead to', async () => {
    const { store, id } = await newSession();
    await store.append(id, flip('b1'));
    await store.append(id, batchOf({ type: 'hide-or-show', application: 'b' }));
    const events = await store.after(id, 0, ALL);
    const numbers = events.flatMap(({ first, events: of }) => of.map((_, index) => first + index));
    expect(numbers).toEqual(numbers.map((_, index) => index + 1));
    const fresh = await newStore().load(id);
    expect(fresh).toEqual(await store.load(id));
    expect(fresh?.session.front).toBe('a1');
    expect(fresh?.seq).toBe(numbers.length);
  });

  it('carries a batch out once however often it comes, and answers it the same', async () => {
    const { store, id } = await newSession();
    const batch = batchOf({ type: 'minimise', window: 'a1' }, { type: 'minimise', window: 'b1' });
    const first = await store.append(id, batch);
    const again = await Promise.all([store.append(id, batch), newStore().append(id, batch)]);
    for (const answer of again) expect(answer).toEqual({ ...first, kind: 'known' });
    expect((await store.load(id))?.seq).toBe(first.kind === 'appended' ? first.report.events.length : -1);
  });

  it('notices an id that is used again for other commands', async () => {
    const { store, id } = await newSession();
    const batch = flip('b1');
    await store.append(id, batch);
    expect(await store.append(id, { ...flip('a1'), id: batch.id })).toEqual({ kind: 'id-reused' });
  });

  it('keeps one order when many pages write at once through several stores', async () => {
    const { store, id } = await newSession('a: a1 | b: b1 | c: c1');
    const stores = [store, newStore(), newStore()];
    const windows = ['a1', 'b1', 'c1'];
    await Promise.all(
      Array.from({ length: 45 }, (_, n) =>
        (stores[n % 3] ?? store).append(id, flip(windows[(n * 7) % 3] ?? 'a1')),
      ),
    );
    const states = await Promise.all([...stores, newStore()].map((each) => each.load(id)));
    for (const state of states) expect(state).toEqual(states[0]);
  });

  it('replays hardly more than the events since the last snapshot', async () => {
    const { store, id } = await newSession();
    for (let n = 0; n < 30; n += 1) await store.append(id, longBatch(n));
    await expect.poll(() => snapshotSeq(id)).toBeGreaterThan(2 * EVENTS_PER_SNAPSHOT - 100);
    const fresh = newStore();
    const loaded = await fresh.load(id);
    expect(loaded?.seq).toBeGreaterThan(2 * EVENTS_PER_SNAPSHOT);
    expect(fresh.replayed).toBeLessThan(EVENTS_PER_SNAPSHOT);
    expect(fresh.replayed).toBe((loaded?.seq ?? 0) - (await snapshotSeq(id)));
    expect(loaded).toEqual(await store.load(id));
  });

  it('says that a snapshot was not taken, goes on without it, and takes the next one', async () => {
    const { store, id } = await newSession();
    const said = vi.spyOn(console, 'error').mockReturnValue();
    const { write } = database.db;
    const execute = write.executeQuery.bind(write);
    const failure = new Error('The disk is full.');
    const failing = vi.spyOn(write, 'executeQuery');
    failing.mockImplementation((query) =>
      'sql' in query && query.sql === SNAPSHOT ? Promise.reject(failure) : execute(query),
    );
    for (let n = 0; n < 13; n += 1) await store.append(id, longBatch(n));
    await expect.poll(() => said.mock.calls).toEqual([[`A snapshot of '${id}' was not taken:`, failure]]);
    failing.mockRestore();
    said.mockRestore();
    for (let n = 13; n < 26; n += 1) await store.append(id, longBatch(n));
    await expect.poll(() => snapshotSeq(id)).toBeGreaterThan(2 * EVENTS_PER_SNAPSHOT - 1);
  });

  it('gives every reader the log reduced to its number, however many read and write at once', async () => {
    const { id } = await newSession('a: a1 a2 | b: b1 | c: c1');
    const begin = sessionOf('a: a1 a2 | b: b1 | c: c1');
    const stores = [newStore(), newStore()];
    const seen: { session: Session; seq: number }[] = [];
    let writing = true;
    const writer = async (store: EventStore, n: number) => {
      for (let k = 0; k < 60; k += 1) {
        const wishes: Wish[] = [
          { type: 'open-window', application: 'b', inFront: k % 2 === 0 },
          { type: 'sweep' },
          { type: 'put-back', entry: null },
          { type: 'bring-to-front', window: ['a1', 'a2', 'b1', 'c1'][(k * n) % 4] ?? 'a1', raiseAll: true },
        ];
        await store.append(id, batchOf(wishes[(k + n) % 4] as Wish));
      }
    };
    const reader = async (store: EventStore) => {
      while (writing) {
        const stored = await store.load(id);
        if (stored) seen.push(stored);
      }
    };
    const readers = [...stores, newStore()].map(reader);
    await Promise.all([1, 2, 3, 4].map((n) => writer(stores[n % 2] as EventStore, n))).finally(() => {
      writing = false;
    });
    await Promise.all(readers);

    const log = (await newStore().after(id, 0, ALL)).flatMap(({ events }) => events);
    const states = new Map<number, Session>([[0, begin]]);
    let now = begin;
    for (const [index, event] of log.entries()) {
      now = reduceAll(now, [event]);
      states.set(index + 1, now);
    }
    expect(seen.length).toBeGreaterThan(20);
    for (const { session, seq } of seen) expect(session).toEqual(states.get(seq));
    expect(problemsOf(now)).toEqual([]);
  });

  it('writes a batch of more events than a statement has room for parameters', async () => {
    const { store, id } = await newSession();
    const events = Array.from({ length: 20_000 }, (_, n) => ({
      type: 'window-fronted' as const,
      window: n % 2 ? 'a1' : 'b1',
      at: later(n),
    }));
    const session = reduceAll(sessionOf('a: a1 a2 | b: b1'), events);
    const chatty = new EventStore(database.db, () => ({ ok: true, events, notices: [], session }));
    expect(await chatty.append(id, flip('b1'))).toMatchObject({ kind: 'appended' });
    expect(await newStore().load(id)).toEqual({ session, seq: 20_000 });
    expect(await store.load(id)).toEqual({ session, seq: 20_000 });
  });

  it.each([
    ['update', 'update log set first_seq = 9'],
    ['delete', 'delete from log'],
    ['truncate', 'truncate log'],
  ])('does not let anyone %s the log', async (_, statement) => {
    const { store, id } = await newSession();
    await store.append(id, flip('b1'));
    await expect(sql.raw(statement).execute(database.db.write)).rejects.toThrow(/append-only/);
    expect(await store.after(id, 0, ALL)).toHaveLength(1);
  });

  it('removes a session with its log, and nothing can be appended to it any more', async () => {
    const { store, id } = await newSession();
    const elsewhere = newStore();
    await elsewhere.append(id, flip('b1'));
    expect(await store.remove(id)).toBe(true);
    expect(await store.remove(id)).toBe(false);
    expect(await store.load(id)).toBeNull();
    // A server that still has it in memory finds out as well.
    expect(await elsewhere.append(id, flip('a1'))).toEqual({ kind: 'no-session' });
    expect(await store.after(id, 0, ALL)).toEqual([]);
    for (const made of [true, false]) expect(await store.create(id, sessionOf('a: a1 | b: b1'))).toBe(made);
    expect(await elsewhere.load(id)).toMatchObject({ seq: 0 });
    expect(await store.append(id, flip('b1'))).toMatchObject({ kind: 'appended', report: { first: 1 } });
  });

  it('tells who follows a session that it is gone, if it was there', async () => {
    const { store, id } = await newSession();
    const heard: News[] = [];
    for (const session of [id, 's-nowhere']) store.publisher.subscribe(session, (news) => heard.push(news));
    expect([await store.remove('s-nowhere'), heard]).toEqual([false, []]);
    expect([await store.remove(id), heard]).toEqual([true, ['gone']]);
  });

  it('reads nothing for a batch on a session that it has in memory', async () => {
    const { store, id } = await newSession();
    await store.load(id);
    const read = vi.spyOn(database.db.read, 'executeQuery');
    await store.append(id, flip('b1'));
    expect(read).not.toHaveBeenCalled();
    read.mockRestore();
  });

  it('gives nothing back of a log that has a gap', async () => {
    const { store, id } = await newSession();
    await store.append(id, flip('b1'));
    const row = { session_id: id, first_seq: 3, event_count: 1, id: null, digest: '', events: '[]' };
    await database.db.write.insertInto('log').values(row).execute();
    await expect(newStore().load(id)).rejects.toThrow(`The log of '${id}' has a gap after event 1.`);
  });

  it('says in one way that the database cannot be used, and nothing else so', async () => {
    const away = new EventStore(connect('postgres://127.0.0.1:1/nowhere'));
    const reason = { message: 'The database cannot be used now.', cause: { code: 'ECONNREFUSED' } };
    for (const work of [() => away.load('s'), () => away.last('s'), () => away.remove('s')])
      await expect(work()).rejects.toMatchObject(reason);
    await expect(newStore().createFromJson('s-odd', '{')).rejects.toMatchObject({ code: '22P02' });
  });

  it('takes no batch any more from the moment on at which a session is to be removed', async () => {
    const { store, id } = await newSession();
    const underWay = store.append(id, flip('b1'));
    const removing = store.remove(id);
    const late = store.append(id, flip('a1'));
    expect((await underWay).kind).toBe('appended');
    expect(await late).toEqual({ kind: 'no-session' });
    expect(await removing).toBe(true);
  });

  it('prunes what lies behind a snapshot, and nothing else', async () => {
    const { store, id } = await newSession();
    for (let n = 0; n < 13; n += 1) await store.append(id, longBatch(n));
    const before = await newStore().load(id);
    await expect.poll(() => snapshotSeq(id)).toBe(before?.seq ?? 0);
    await store.append(id, flip('b1'));
    await store.prune(0);
    expect(await newStore().load(id)).toEqual(await store.load(id));
    const left = await store.after(id, before?.seq ?? 0, ALL);
    expect(left).toHaveLength(1);
    expect(await store.after(id, 0, ALL)).toEqual(left);
    const all = await database.db.read
      .selectFrom('log')
      .select('first_seq')
      .where('session_id', '=', id)
      .execute();
    expect(all).toHaveLength(1);
  });

  it('reaches the same state as a browser that predicts it', async () => {
    await fc.assert(
      fc.asyncProperty(wishSeeds(5, 25), async (seeds) => {
        const store = newStore();
        const id = `s-${randomUUID()}`;
        await store.create(id, fromDocument(ellavane(new Date())));
        let replica = replicaOf(fromDocument(ellavane(new Date())), 0);
        const loaded = await store.load(id);
        replica = replicaOf(loaded?.session ?? replica.session, 0);
        for (const seed of seeds) {
          const wish = wishFrom(seed, replica.session);
          if (!wish) continue;
          const batch = batchOf(wish);
          const submitted = submit(replica, batch, 0);
          const predicted = submitted.replica.session;
          const answer = await store.append(id, batch);
          if (answer.kind !== 'appended') throw new Error(`The server ${answer.kind}.`);
          const received = receive(submitted.replica, answer.report);
          expect(received?.session).toBe(predicted);
          replica = received ?? replica;
        }
        expect((await newStore().load(id))?.session).toEqual(replica.session);
      }),
      { numRuns: runs(10) },
    );
  });
});

describe('a database that goes away', () => {
  it('fails what was under way as to be tried again, loses nothing, and is used again once it is back', async () => {
    const { store, id } = await newSession('a: a1 | b: b1 | c: c1');
    const acknowledged: string[] = [];
    let writing = true;
    const writers = [0, 1, 2, 3].map(async (n) => {
      for (let k = 0; writing; k += 1) {
        const batch = flip(['a1', 'b1', 'c1'][(k + n) % 3] ?? 'a1');
        for (;;) {
          try {
            const { kind } = await store.append(id, batch);
            expect(['appended', 'known']).toContain(kind);
            acknowledged.push(batch.id);
            break;
          } catch (error) {
            expect(error).toBeInstanceOf(Unavailable);
          }
        }
      }
    });
    for (let time = 0; time < 8; time += 1) {
      const before = acknowledged.length;
      await expect.poll(() => acknowledged.length).toBeGreaterThan(before + 10);
      await administer(`select pg_terminate_backend(pid) from pg_stat_activity
        where datname = current_database() and pid <> pg_backend_pid()`);
    }
    writing = false;
    await Promise.all(writers);
    const stored = new Set((await newStore().after(id, 0, ALL)).map(({ batch }) => batch));
    // A switch to what is in front already leaves no batch, so not every one of them is there.
    expect(acknowledged.filter((batch) => stored.has(batch)).length).toBe(stored.size);
    expect(stored.size).toBeGreaterThan(20);
    expect(await newStore().load(id)).toEqual(await store.load(id));
  });

  async function administer(statement: string): Promise<void> {
    const client = new pg.Client({ connectionString: database.url });
    await client.connect();
    await client.query(statement);
    await client.end();
  }
});
