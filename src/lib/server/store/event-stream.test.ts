import { randomUUID } from 'node:crypto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { flip } from '../../../../testing/batches';
import { MemoryFollowedLog, reportOf } from '../../../../testing/followed-log';
import { sessionOf } from '../../../../testing/sessions';
import { StreamReader } from '../../../../testing/stream-reader';
import { useDatabase } from '../../../../tests/use-database';
import { EventStore } from './event-store';
import { eventStream } from './event-stream';

const database = useDatabase();
afterEach(() => void vi.useRealTimers());

it('misses nothing and repeats nothing, from any number and while others write', async () => {
  const store = new EventStore(database.db);
  const id = `s-${randomUUID()}`;
  await store.create(id, sessionOf('a: a1 a2 | b: b1'));
  const flipping = async (count: number) => {
    for (let n = 0; n < count; n += 1) await store.append(id, flip(n % 2 ? 'a1' : 'b1'));
  };
  await flipping(130);
  const writing = flipping(120);
  const readers = [0, 57, 129, 130].map((after) => new StreamReader(store, [{ session: id, after }]));
  await writing;
  await Promise.all(readers.map((reader) => reader.until('id: 250\n')));
  for (const [n, after] of [0, 57, 129, 130].entries())
    expect(readers[n]?.numbers).toEqual(Array.from({ length: 250 - after }, (_, k) => after + k + 1));
  await store.remove(id);
  await Promise.all(readers.map((reader) => reader.until('event: gone\n')));
  await Promise.all(readers.map((reader) => reader.close()));
});

describe('a stream of events', () => {
  const [first, second] = [reportOf(1, 2), reportOf(3, 1)];
  const data = (value: unknown) => `data: ${JSON.stringify(value)}\n\n`;

  // WHATWG HTML, "Server-sent events": fields, and a blank line after each message.
  it('says how to resume, and numbers each message by its last event', async () => {
    const log = new MemoryFollowedLog('s', [first]);
    const reader = new StreamReader(log, [{ session: 's', after: 0 }]);
    log.write(second);
    await reader.until('id: 3\n');
    log.publisher.tellGone('s');
    await reader.until('gone');
    expect(reader.heard).toBe(
      `retry: 500\n\nid: 2\n${data(first)}id: 3\n${data(second)}event: gone\n${data({ session: null })}`,
    );
  });

  it('of several sessions names each message after its session', async () => {
    const log = new MemoryFollowedLog('s');
    const followed = ['s', 't'].map((session) => ({ session, after: 2 }));
    const reader = new StreamReader(log, followed, { named: true });
    await reader.until('afresh');
    log.publisher.tellGone('s');
    expect(await reader.until(`event: afresh\n${data({ session: 't' })}`)).toContain(
      `event: afresh\n${data({ session: 's' })}`,
    );
    const named = new StreamReader(new MemoryFollowedLog('s', [first]), [{ session: 's', after: 0 }], {
      named: true,
    });
    await named.until(`event: s\nid: 2\n${data(first)}`);
  });

  it('writes news down once for all who read it alike', async () => {
    const log = new MemoryFollowedLog('s');
    const write = vi.spyOn(JSON, 'stringify');
    const readers = [false, false, true, true].map(
      (named) => new StreamReader(log, [{ session: 's', after: 0 }], { named }),
    );
    await Promise.all(readers.map((reader) => reader.until('retry')));
    // They have looked at what was there, which is nothing.
    for (let n = 0; n < 5; n += 1) await new Promise((resolve) => setImmediate(resolve));
    log.write(first);
    await Promise.all(readers.map((reader) => reader.until('id: 2\n')));
    expect(write.mock.calls.filter(([value]) => value === first)).toHaveLength(2);
  });

  it('says every fifteen seconds that it is alive, to who reads and as long as somebody does', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
    const log = new MemoryFollowedLog(
      's',
      Array.from({ length: 20 }, (_, n) => reportOf(n + 1, 1)),
    );
    const reader = new StreamReader(log, [{ session: 's', after: 20 }]);
    await reader.until('retry');
    vi.advanceTimersByTime(14_999);
    const alive = reader.until(': alive\n\n');
    vi.advanceTimersByTime(1);
    await alive;
    expect([log.streams, vi.getTimerCount()]).toEqual([1, 1]);
    await reader.close();
    expect([log.streams, vi.getTimerCount()]).toEqual([0, 0]);
  });

  /** A stream of 400 KB that nobody has read yet, and its reader. */
  async function unread() {
    const log = new MemoryFollowedLog('s');
    const long = Array.from({ length: 40 }, (_, n) => reportOf(n * 200 + 1, 200));
    const reader = eventStream(log, [{ session: 's', after: 0 }], { named: false }).getReader();
    const enqueued = vi.spyOn(ReadableStreamDefaultController.prototype, 'enqueue');
    for (const report of long) {
      log.write(report);
      await new Promise((resolve) => setImmediate(resolve));
    }
    vi.advanceTimersByTime(15_000);
    const bytes = enqueued.mock.calls.reduce((sum, [chunk]) => sum + (chunk as Uint8Array).length, 0);
    enqueued.mockRestore();
    return { log, long, reader, bytes };
  }

  it('takes in a quarter of a megabyte for a reader who does not read, and catches up when he does', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'setTimeout', 'clearTimeout'] });
    const { log, long, reader, bytes } = await unread();
    expect(bytes).toBeGreaterThan(256 * 1024);
    expect(bytes).toBeLessThan(280 * 1024);
    let heard = '';
    while (!heard.includes('id: 8000\n')) heard += new TextDecoder().decode((await reader.read()).value);
    expect([...heard.matchAll(/^id: (\d+)$/gm)].map(([, id]) => Number(id))).toEqual(
      long.map((_, n) => (n + 1) * 200),
    );
    vi.advanceTimersByTime(60_000);
    expect(log.streams).toBe(1);
    await reader.cancel();
  });

  it('drops a reader who does not read for half a minute, once', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'setTimeout', 'clearTimeout'] });
    const { log, reader } = await unread();
    vi.advanceTimersByTime(14_999);
    expect(log.streams).toBe(1);
    vi.advanceTimersByTime(1);
    expect([log.streams, vi.getTimerCount()]).toEqual([0, 0]);
    expect(log.publisher.followed).toEqual([]);
    await expect(reader.read()).rejects.toThrow('The reader does not read.');
    await reader.cancel().catch(() => undefined);
    expect(log.streams).toBe(0);
  });
});
