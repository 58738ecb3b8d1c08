/** Two servers on one database: whoever follows a session at one hears at once what is written at the other. */
import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import { sql } from 'kysely';
import pg from 'pg';
import { describe, expect, it, onTestFinished, vi } from 'vitest';
import { flip } from '../../../../testing/batches';
import { sessionOf } from '../../../../testing/sessions';
import { useDatabase } from '../../../../tests/use-database';
import { EventStore } from './event-store';
import { OtherServers } from './other-servers';
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

describe('the line to other servers', () => {
  /** A connection that is there, or breaks, when the test says so. */
  class Line extends EventEmitter {
    readonly said: unknown[] = [];
    ended = false;
    connect = () => (Line.broken ? Promise.reject(new Error('no')) : Promise.resolve());
    query = (text: string, [, words]: readonly string[] = []) =>
      Promise.resolve(this.said.push(words ?? text));
    end = () => Promise.resolve((this.ended = true));
    static broken = false;
  }

  async function opened() {
    vi.useFakeTimers();
    Line.broken = false;
    const lines: Line[] = [];
    const dial = vi.spyOn(pg, 'Client').mockImplementation(function () {
      lines.push(new Line());
      return lines.at(-1) as never;
    });
    onTestFinished(() => {
      vi.useRealTimers();
      dial.mockRestore();
    });
    const heard: unknown[] = [];
    const others = new OtherServers('postgres://somewhere', {
      wrote: (session, first) => heard.push([session, first]),
      removed: (session) => heard.push(session),
      lock: (session) => heard.push(['lock', session]),
      missed: () => heard.push('missed'),
    });
    await others.open();
    const hear = (payload?: string) => lines.at(-1)?.emit('notification', { payload });
    return { others, lines, heard, hear, line: lines[0] as Line };
  }

  it('says hello, answers one, and looks again where it is answered by somebody new', async () => {
    const { others, line, heard, hear } = await opened();
    expect(line.said).toEqual(['listen key_fold', `${others.id} hello`]);
    expect(heard.splice(0)).toEqual(['missed']);
    hear(`${others.id} here`);
    hear(`${others.id} wrote s 1`);
    await others.sayRemoved('s');
    expect([others.any, heard, line.said]).toEqual([false, [], expect.objectContaining({ length: 2 })]);
    hear('one hello');
    hear('one here');
    expect([others.any, heard]).toEqual([true, []]);
    hear('two here');
    hear('two here');
    expect(heard).toEqual(['missed']);
    await others.sayRemoved('s');
    expect(line.said.slice(2)).toEqual([`${others.id} here`, `${others.id} removed s`]);
  });

  it('passes on what was written and removed', async () => {
    const { heard, hear } = await opened();
    hear('one wrote s 12');
    hear('one removed s');
    hear();
    expect(heard).toEqual(['missed', ['s', 12], 's']);
  });

  it.each(['error', 'end'])('is dialled again after it is lost (%s), less and less often', async (how) => {
    const { others, lines, line, heard } = await opened();
    Line.broken = true;
    line.emit(how, new Error('gone'));
    line.emit('end');
    expect(line.ended).toBe(true);
    let waited = 0;
    const waits: number[] = [];
    for (let dialled = 1; dialled < 8; waited += 50) {
      await vi.advanceTimersByTimeAsync(50);
      if (lines.length > dialled) waits.push(waited + 50 - waits.reduce((sum, wait) => sum + wait, 0));
      dialled = lines.length;
    }
    expect(waits).toEqual([250, 500, 1_000, 2_000, 4_000, 5_000, 5_000]);
    await expect(others.sayRemoved('s')).resolves.toBeUndefined();
    Line.broken = false;
    await vi.advanceTimersByTimeAsync(5_000);
    expect(heard).toEqual(['missed', 'missed']);
    lines.at(-1)?.emit('end');
    const dialled = lines.length;
    await vi.advanceTimersByTimeAsync(250);
    expect(lines).toHaveLength(dialled + 1);
  });

  it('is given up when it is closed, lost or not', async () => {
    const { others, lines, line } = await opened();
    line.emit('error', new Error('gone'));
    await others.close();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(lines).toHaveLength(1);
    const next = await opened();
    await next.others.close();
    next.line.emit('end');
    await vi.advanceTimersByTimeAsync(10_000);
    expect([next.line.ended, next.lines.length]).toEqual([true, 1]);
  });
});
