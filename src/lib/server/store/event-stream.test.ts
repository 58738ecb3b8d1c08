import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { batchOf, flip } from '../../../../testing/batches';
import { useDatabase } from '../../../../tests/use-database';
import { sessionOf } from '../../../../testing/sessions';
import { EventStore } from './event-store';
import { eventStream, type Followed } from './event-stream';

const database = useDatabase();

async function newSession(line = 'a: a1 a2 | b: b1'): Promise<{ store: EventStore; id: string }> {
  const store = new EventStore(database.db);
  const id = `s-${randomUUID()}`;
  await store.create(id, sessionOf(line));
  return { store, id };
}

/** Someone who reads a stream. */
class Reader {
  heard = '';
  readonly #reader: ReadableStreamDefaultReader<Uint8Array>;
  readonly #decoder = new TextDecoder();

  constructor(store: EventStore, followed: Followed[], how: { named?: boolean; patience?: number } = {}) {
    this.#reader = eventStream(store, followed, { named: false, ...how }).getReader();
  }

  async until(text: string): Promise<string> {
    while (!this.heard.includes(text)) {
      const { value, done } = await this.#reader.read();
      if (done) throw new Error(`The stream ended before '${text}'. It said: ${this.heard}`);
      this.heard += this.#decoder.decode(value);
    }
    return this.heard;
  }

  get numbers(): number[] {
    return [...this.heard.matchAll(/^id: (\d+)$/gm)].map(([, number]) => Number(number));
  }

  close(): Promise<void> {
    return this.#reader.cancel();
  }
}

/** Windows come to the front `count` times. */
async function flipping(store: EventStore, id: string, count: number): Promise<void> {
  for (let n = 0; n < count; n += 1) await store.append(id, flip(n % 2 ? 'a1' : 'b1'));
}

describe('the stream of events', () => {
  it('begins after the given event, goes on with what happens, and says how to resume', async () => {
    const { store, id } = await newSession();
    await flipping(store, id, 2);
    const reader = new Reader(store, [{ session: id, after: 1 }]);
    await reader.until('id: 2\n');
    await store.append(id, flip('b1'));
    await reader.until('id: 3\n');
    expect(reader.heard).toContain('retry: ');
    expect(reader.numbers).toEqual([2, 3]);
    await reader.close();
  });

  it('misses nothing and repeats nothing, from any number and while others write', async () => {
    const { store, id } = await newSession();
    await flipping(store, id, 130);
    const writing = flipping(store, id, 120);
    const readers = [0, 57, 129, 130].map((after) => new Reader(store, [{ session: id, after }]));
    await writing;
    await Promise.all(readers.map((reader) => reader.until('id: 250\n')));
    for (const [n, after] of [0, 57, 129, 130].entries())
      expect(readers[n]?.numbers).toEqual(Array.from({ length: 250 - after }, (_, k) => after + k + 1));
    await Promise.all(readers.map((reader) => reader.close()));
  });

  it('of several sessions names each message after its session', async () => {
    const { store, id } = await newSession();
    const other = `s-${randomUUID()}`;
    await store.create(other, sessionOf('a: a1 | b: b1'));
    const followed = [id, other].map((session) => ({ session, after: 0 }));
    const reader = new Reader(store, followed, { named: true });
    await store.append(other, flip('b1'));
    await reader.until(`event: ${other}\nid: 1\n`);
    await store.append(id, flip('b1'));
    await reader.until(`event: ${id}\nid: 1\n`);
    await reader.close();
  });

  it('reads nothing from the log that it was told, however many listen', async () => {
    const { store, id } = await newSession();
    let reads = 0;
    const after = store.after.bind(store);
    store.after = (...args) => {
      reads += 1;
      return after(...args);
    };
    const readers = Array.from({ length: 20 }, () => new Reader(store, [{ session: id, after: 0 }]));
    await store.append(id, flip('b1'));
    await Promise.all(readers.map((reader) => reader.until('id: 1\n')));
    // Nobody is catching up any more once a while goes by without a read.
    let before = -1;
    const settled = () => before === (before = reads);
    await expect.poll(settled, { interval: 100 }).toBe(true);
    await flipping(store, id, 30);
    const { seq } = (await store.load(id)) ?? { seq: -1 };
    await Promise.all(readers.map((reader) => reader.until(`id: ${seq}\n`)));
    // Whoever was kept from sending for a moment may read once: far from once a reader and batch.
    expect(reads - before).toBeLessThanOrEqual(readers.length);
    await Promise.all(readers.map((reader) => reader.close()));
  });

  it('holds little for a reader who does not read, and catches up with him when he does', async () => {
    const { store, id } = await newSession();
    const stream = eventStream(store, [{ session: id, after: 0 }], { named: false });
    const text = 'x'.repeat(40_000);
    for (let n = 0; n < 40; n += 1)
      await store.append(id, batchOf({ type: 'keep-draft', document: 'd-a1', text: `${n} ${text}` }));
    // 1.6 MB were written; the stream took in what it may hold, and no more.
    await expect.poll(() => store.streams).toBe(1);
    const reader = stream.getReader();
    const decoder = new TextDecoder();
    let heard = '';
    while (!heard.includes('id: 40\n')) heard += decoder.decode((await reader.read()).value);
    expect([...heard.matchAll(/^id: (\d+)$/gm)].map(([, number]) => Number(number))).toEqual(
      Array.from({ length: 40 }, (_, n) => n + 1),
    );
    await reader.cancel();
    expect(store.streams).toBe(0);
  });

  it('drops a reader who does not read for too long', async () => {
    const { store, id } = await newSession();
    const stream = eventStream(store, [{ session: id, after: 0 }], { named: false, patience: 20 });
    const text = 'x'.repeat(40_000);
    for (let n = 0; n < 12; n += 1)
      await store.append(id, batchOf({ type: 'keep-draft', document: 'd-a1', text: `${n} ${text}` }));
    await expect.poll(() => store.streams).toBe(0);
    await expect(
      (async () => {
        const reader = stream.getReader();
        while (!(await reader.read()).done);
      })(),
    ).rejects.toThrow('does not read');
  });

  it.each([
    ['beyond the end of the log', 99, 0, 0],
    ['before what is kept of the log', 0, 13, 0],
    ['before what is kept of a log that went on', 0, 13, 2],
  ])('asks a reader to load afresh whose number lies %s', async (_, after, batches, since) => {
    const { store, id } = await newSession();
    for (let n = 0; n < batches; n += 1)
      await store.append(
        id,
        batchOf(
          ...Array.from({ length: 40 }, (__, k) => ({
            type: 'bring-to-front' as const,
            window: (n * 40 + k) % 2 ? 'a1' : 'b1',
            raiseAll: false,
          })),
        ),
      );
    if (batches > 0) {
      const snapshot = () =>
        database.db.read
          .selectFrom('session')
          .select('snapshot_seq')
          .where('id', '=', id)
          .executeTakeFirstOrThrow();
      await expect.poll(async () => (await snapshot()).snapshot_seq).toBeGreaterThan(500);
      await store.prune(0);
    }
    await flipping(store, id, since);
    const reader = new Reader(store, [{ session: id, after }]);
    await reader.until('event: afresh\n');
    await reader.close();
  });

  it('says that a session is gone', async () => {
    const { store, id } = await newSession();
    const reader = new Reader(store, [{ session: id, after: 0 }]);
    await store.append(id, flip('b1'));
    await reader.until('id: 1\n');
    await store.remove(id);
    await reader.until('event: gone\n');
    const late = new Reader(store, [{ session: id, after: 0 }]);
    await late.until('event: gone\n');
    await Promise.all([reader.close(), late.close()]);
  });
});
