/** Two servers on one database: whoever follows a session at one hears at once what is written at the other. */
import { randomUUID } from 'node:crypto';
import { EventEmitter, once } from 'node:events';
import { sql } from 'kysely';
import { describe, expect, it, onTestFinished, vi } from 'vitest';
import { flip } from '../../../../testing/batches';
import { sessionOf } from '../../../../testing/sessions';
import { useDatabase } from '../../../../tests/use-database';
import { EventStore } from './event-store';
import type { News } from './publisher';

const database = useDatabase();

async function server(): Promise<EventStore> {
  const store = new EventStore(database.db);
  onTestFinished(() => store.close());
  await store.hearOthers();
  return store;
}

/** Two servers that know of each other, and a session. */
async function twoServers() {
  const [one, other] = [await server(), await server()];
  await expect.poll(() => one.others.any && other.others.any).toBe(true);
  const id = `s-${randomUUID()}`;
  await one.create(id, sessionOf('a: a1 | b: b1'));
  return { one, other, id };
}

/** What a server tells those who follow a session there. */
function heardAt(store: EventStore, id: string): News[] {
  const heard: News[] = [];
  onTestFinished(store.publisher.subscribe(id, (news) => heard.push(news)));
  return heard;
}

const firsts = (heard: readonly News[]) =>
  heard.flatMap((news) => (typeof news === 'string' ? [] : news.map(({ first }) => first)));

/** Breaks the connection on which a server listens. */
const breakListening = () =>
  sql`select pg_terminate_backend(pid) from pg_stat_activity
    where datname = current_database() and (query ilike 'select pg_notify%' or query ilike 'listen%')`.execute(
    database.db.read,
  );

describe('two servers', () => {
  it('hear of what the other one wrote, as it was stored, once for each batch', async () => {
    const { one, other, id } = await twoServers();
    const heard = heardAt(other, id);
    for (let n = 0; n < 5; n += 1) await one.append(id, flip(n % 2 ? 'a1' : 'b1'));
    await expect.poll(() => firsts(heard)).toEqual([1, 2, 3, 4, 5]);
    expect(heard.flat()[0]).toMatchObject({ events: [{ type: 'window-fronted', window: 'b1' }] });
  });

  it('hear of what was written while they were reading what came before', async () => {
    const { one, other, id } = await twoServers();
    const later = `s-${randomUUID()}`;
    await one.create(later, sessionOf('a: a1 | b: b1'));
    const heard = heardAt(other, id);
    const heardLater = heardAt(other, later);
    const read = other.after.bind(other);
    const reading = new EventEmitter();
    const mayGoOn = once(reading, 'go on');
    const isRead = once(reading, 'read');
    vi.spyOn(other, 'after').mockImplementationOnce(async (...what) => {
      const written = await read(...what);
      reading.emit('read');
      await mayGoOn;
      return written;
    });
    await one.append(id, flip('b1'));
    await isRead;
    await one.append(id, flip('a1'));
    // What is told comes in order: once this is heard of, so is what was written before it.
    await one.append(later, flip('b1'));
    await expect.poll(() => firsts(heardLater)).toEqual([1]);
    reading.emit('go on');
    await expect.poll(() => firsts(heard)).toEqual([1, 2]);
  });

  it('read nothing of what nobody follows', async () => {
    const { one, other, id } = await twoServers();
    const followed = `s-${randomUUID()}`;
    await one.create(followed, sessionOf('a: a1 | b: b1'));
    const heard = heardAt(other, followed);
    const read = vi.spyOn(other, 'after');
    await one.append(id, flip('b1'));
    await one.append(followed, flip('b1'));
    await expect.poll(() => firsts(heard)).toEqual([1]);
    expect(new Set(read.mock.calls.map(([session]) => session))).toEqual(new Set([followed]));
  });

  it('hear that a session is gone', async () => {
    const { one, other, id } = await twoServers();
    const heard = heardAt(other, id);
    await one.remove(id);
    await expect.poll(() => heard).toContain('gone');
  });

  it('look again after the connection between them was lost', async () => {
    const { one, other, id } = await twoServers();
    const heard = heardAt(other, id);
    await breakListening();
    await one.append(id, flip('b1'));
    await expect.poll(() => heard).toContain('more');
    await one.append(id, flip('a1'));
    await expect.poll(() => firsts(heard)).toContain(2);
  });
});

describe('a server that is alone', () => {
  it('tells nobody', async () => {
    const alone = await server();
    expect(alone.others.any).toBe(false);
  });
});
