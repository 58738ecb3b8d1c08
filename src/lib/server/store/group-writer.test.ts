import { randomUUID } from 'node:crypto';
import type { CompiledQuery, Kysely } from 'kysely';
import { describe, expect, it } from 'vitest';
import { sessionOf } from '../../../../testing/sessions';
import { useDatabase } from '../../../../tests/use-database';
import type { Schema } from '../database/schema';
import { EventStore } from './event-store';
import { GroupWriter } from './group-writer';
import type { LogRow } from './log-row';
import { WRITE, WRITE_AND_TELL, WRITE_ONE } from './statements';

const database = useDatabase();

const row = (session: string, first = 1, batch: string = randomUUID()): LogRow => ({
  session,
  first,
  count: 1,
  batch,
  cause: null,
  origin: null,
  digest: 'd',
  events: '[{}]',
  switched: null,
});

it('what cannot be stored fails alone, though it went into one statement with the rest; a gone session is told', async () => {
  const store = new EventStore(database.db);
  const sessions = Array.from({ length: 5 }, () => `s-${randomUUID()}`);
  for (const id of sessions.slice(1)) await store.create(id, sessionOf('a: a1'));
  const writer = new GroupWriter(database.db.write, () => null);
  const outcomes = await Promise.allSettled(
    sessions.map((session, n) => writer.write([row(session, 1, n === 3 ? 'no uuid' : undefined)])),
  );
  expect(outcomes.map((outcome) => (outcome.status === 'fulfilled' ? outcome.value : 'failed'))).toEqual([
    false,
    true,
    true,
    'failed',
    true,
  ]);
  const rows = await database.db.read.selectFrom('log').select('session_id').execute();
  expect(rows.map(({ session_id }) => session_id).sort()).toEqual([1, 2, 4].map((n) => sessions[n]).sort());
});

describe('a group writer', () => {
  /** One whose statements are answered when the test says so. */
  function writing(teller: string | null = null) {
    const under: { text: string; values: readonly unknown[]; end: (error?: Error) => void }[] = [];
    const executeQuery = ({ sql, parameters }: CompiledQuery) =>
      new Promise((resolve, reject) => {
        const sessions = [parameters[0]].flat() as string[];
        const rows = sessions.filter((id) => id !== 'gone').map((session_id) => ({ session_id }));
        const end = (error?: Error) => (error ? reject(error) : resolve({ rows }));
        under.push({ text: sql, values: parameters, end });
      });
    const writer = new GroupWriter({ executeQuery } as unknown as Kysely<Schema>, () => teller);
    const turn = () => new Promise((resolve) => setImmediate(resolve));
    return { writer, under, turn, sizes: () => under.map(({ values }) => [values[0]].flat().length) };
  }

  it('sends the first at once, the rest of a turn together, and no third while two are under way', async () => {
    const { writer, under, turn, sizes } = writing();
    const written = ['a', 'b'].map((session) => writer.write([row(session)]));
    await Promise.resolve();
    expect(sizes()).toEqual([2]);
    written.push(...['c', 'd', 'e'].map((session) => writer.write([row(session)])));
    await Promise.resolve();
    expect(sizes()).toEqual([2]);
    await turn();
    expect(sizes()).toEqual([2, 3]);
    written.push(writer.write([row('gone')]), writer.write([row('g')]));
    await turn();
    await turn();
    expect(under).toHaveLength(2);
    under[1]?.end();
    await turn();
    await turn();
    expect(sizes()).toEqual([2, 3, 2]);
    for (const { end } of under) end();
    expect(await Promise.all(written)).toEqual([true, true, true, true, true, false, true]);
    under.length = 0;
    void writer.write([row('h')]);
    await Promise.resolve();
    expect(under.map(({ text }) => text)).toEqual([WRITE_ONE]);
  });

  it.each([
    ['as many rows as have room', [100, 100, 56, 1], [256, 1]],
    ['one part whole, however many rows it has', [300, 1, 300], [300, 1]],
  ])('puts into one statement %s', async (_, parts, statements) => {
    const { writer, sizes } = writing();
    for (const [n, rows] of parts.entries())
      void writer.write(Array.from({ length: rows }, (__, k) => row(`s-${n}`, k + 1)));
    await Promise.resolve();
    expect(sizes()).toEqual(statements);
  });

  it('writes rows in one order, whoever comes first, and tells others in a name if there are any', async () => {
    const alone = writing();
    const heard = writing('server-1');
    for (const { writer } of [alone, heard]) {
      void writer.write([row('b', 7), row('b', 8)]);
      void writer.write([row('c', 1)]);
      void writer.write([row('a', 9)]);
    }
    await Promise.resolve();
    const [rows] = alone.under;
    expect(rows?.text).toBe(WRITE);
    expect(rows?.values.slice(0, 2)).toEqual([
      ['a', 'b', 'b', 'c'],
      [9, 7, 8, 1],
    ]);
    expect(heard.under[0]?.text).toBe(WRITE_AND_TELL);
    expect(heard.under[0]?.values.at(-1)).toBe('server-1');
  });

  it('tries none again alone where the database cannot be used', async () => {
    const { writer, under, turn } = writing();
    const gone = Object.assign(new Error('gone'), { code: 'ECONNRESET' });
    const written = Promise.allSettled(['a', 'b'].map((session) => writer.write([row(session)])));
    await Promise.resolve();
    under[0]?.end(gone);
    const failed = { status: 'rejected', reason: gone };
    expect(await written).toEqual([failed, failed]);
    await turn();
    expect(under).toHaveLength(1);
  });
});
