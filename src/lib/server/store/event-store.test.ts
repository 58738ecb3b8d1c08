import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { sql, type Kysely } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { commandFrom, wishFrom, wishSeeds } from '../../../../tests/arbitrary-wishes';
import { testDatabase, type TestDatabase } from '../../../../tests/database';
import { deskOf } from '../../../../tests/desk';
import { fromDocument } from '../../core/formats/session-document';
import { simulatedHost } from '../../core/host/simulated-host';
import { receive, replicaOf, submit } from '../../core/replica/replica';
import type { Batch, Wish } from '../../core/session/commands';
import { ellavane } from '../../demo/ellavane';
import { connect } from '../database/connect';
import { migrate, NewerDatabaseError } from '../database/migrate';
import type { Schema } from '../database/schema';
import { eventStream } from './event-stream';
import { EVENTS_PER_SNAPSHOT, EventStore } from './event-store';

let database: TestDatabase;
let db: Kysely<Schema>;

beforeAll(async () => {
  database = await testDatabase();
  db = connect(database.url);
  await migrate(db);
});

afterAll(async () => {
  await db.destroy();
  await database.drop();
});

const newStore = () => new EventStore(db, simulatedHost);
const batchOf = (...wishes: Wish[]): Batch => ({
  id: randomUUID(),
  commands: wishes.map((wish, n) => ({ ...commandFrom(wish, n), id: randomUUID() })),
});
const flip = (window: string): Batch => batchOf({ type: 'bring-to-front', window, raiseAll: false });

async function newSession(line = 'a: a1 a2 | b: b1'): Promise<{ store: EventStore; id: string }> {
  const store = newStore();
  const id = `s-${randomUUID()}`;
  await store.create(id, deskOf(line));
  return { store, id };
}

describe('the event store', () => {
  it('numbers events densely from 1 and gives back the session they lead to', async () => {
    const { store, id } = await newSession();
    await store.append(id, flip('b1'));
    await store.append(id, batchOf({ type: 'hide-or-show', application: 'b' }));
    const events = await store.after(id, 0);
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
    expect((await store.load(id))?.seq).toBe(
      first.kind === 'appended' ? first.confirmation.events.length : -1,
    );
  });

  it('notices an id that is used again for other commands', async () => {
    const { store, id } = await newSession();
    const batch = flip('b1');
    await store.append(id, batch);
    expect(await store.append(id, { ...flip('a1'), id: batch.id })).toEqual({ kind: 'id-reused' });
  });

  it('writes a batch whole or not at all', async () => {
    const { store, id } = await newSession();
    const answer = await store.append(
      id,
      batchOf({ type: 'minimise', window: 'a1' }, { type: 'minimise', window: 'x' }),
    );
    expect(answer).toMatchObject({ kind: 'refused', index: 1, refusal: { field: 'window' } });
    expect((await store.load(id))?.seq).toBe(0);
    expect(await store.after(id, 0)).toEqual([]);
  });

  it('keeps one order when many pages write at once through several stores', async () => {
    const { store, id } = await newSession('a: a1 | b: b1 | c: c1');
    const stores = [store, newStore(), newStore()];
    const windows = ['a1', 'b1', 'c1'];
    await Promise.all(
      Array.from({ length: 45 }, (_, n) => stores[n % 3]?.append(id, flip(windows[(n * 7) % 3] ?? 'a1'))),
    );
    const states = await Promise.all([...stores, newStore()].map((each) => each.load(id)));
    for (const state of states) expect(state).toEqual(states[0]);
  });

  it('never replays more than the events since the last snapshot', async () => {
    const { store, id } = await newSession();
    for (let n = 0; n < 30; n += 1) {
      const many = Array.from({ length: 40 }, (_, k): Wish => ({
        type: 'bring-to-front',
        window: (n * 40 + k) % 2 ? 'a1' : 'b1',
        raiseAll: false,
      }));
      await store.append(id, batchOf(...many));
    }
    const fresh = newStore();
    const loaded = await fresh.load(id);
    expect(loaded?.seq).toBeGreaterThan(2 * EVENTS_PER_SNAPSHOT);
    expect(fresh.replayed).toBeLessThan(EVENTS_PER_SNAPSHOT);
    expect(loaded).toEqual(await store.load(id));
  });

  it('does not let anyone rewrite the log', async () => {
    const { store, id } = await newSession();
    await store.append(id, flip('b1'));
    await expect(sql`update event set seq = 9 where session_id = ${id}`.execute(db)).rejects.toThrow(
      /append-only/,
    );
    await expect(db.deleteFrom('event').where('session_id', '=', id).execute()).rejects.toThrow(
      /append-only/,
    );
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
          const submitted = submit(replica, simulatedHost, batch);
          const predicted = submitted.replica.session;
          const answer = await store.append(id, batch);
          if (answer.kind !== 'appended') throw new Error(`The server ${answer.kind}.`);
          const received = receive(submitted.replica, simulatedHost, answer.confirmation);
          expect(received?.session).toBe(predicted);
          replica = received ?? replica;
        }
        expect((await newStore().load(id))?.session).toEqual(replica.session);
      }),
      { numRuns: 10 },
    );
  });
});

describe('the stream of events', () => {
  it('begins after the given event, goes on with what happens, and says how to resume', async () => {
    const { store, id } = await newSession();
    await store.append(id, flip('b1'));
    const { seq } = (await store.load(id)) ?? { seq: -1 };
    await store.append(id, flip('a1'));
    const reader = eventStream(store, id, seq).getReader();
    const decoder = new TextDecoder();
    let heard = '';
    const until = async (text: string) => {
      while (!heard.includes(text)) heard += decoder.decode((await reader.read()).value);
    };
    await until(`id: ${seq + 1}\n`);
    await store.append(id, flip('b1'));
    await until(`id: ${seq + 2}\n`);
    expect(heard).toContain('retry: ');
    expect(heard.match(/^id: /gm)).toHaveLength(2);
    expect(heard).not.toContain(`id: ${seq}\n`);
    await reader.cancel();
  });
});

describe('migration', () => {
  it('may run twice, and refuses a database that a newer version made', async () => {
    await migrate(db);
    await sql`insert into kysely_migration (name, timestamp) values ('9999-from-the-future', '2030')`.execute(
      db,
    );
    await expect(migrate(db)).rejects.toThrow(NewerDatabaseError);
    await sql`delete from kysely_migration where name like '9999%'`.execute(db);
  });
});
