import { sql } from 'kysely';
import pg from 'pg';
import { afterEach, expect, it, vi } from 'vitest';
import { useDatabase } from '../../../../tests/use-database';
import { connect, run } from './connect';
import { isTaken, isUnavailable } from './trouble';

const database = useDatabase();
afterEach(() => void vi.restoreAllMocks());

it('a statement with parameters is planned once a connection; one without goes through as it is', async () => {
  const db = connect(database.url);
  await db.write.connection().execute(async (one) => {
    for (const n of [1, 2]) expect(await run(one, 'select $1::integer as n', [n])).toEqual([{ n }]);
    expect(await run(one, 'select 3 as n', [])).toEqual([{ n: 3 }]);
    expect(await run(one, 'select $1::integer + 1 as n', [3])).toEqual([{ n: 4 }]);
    const planned = sql<{ statement: string }>`select statement from pg_prepared_statements order by name`;
    expect((await planned.execute(one)).rows.map(({ statement }) => statement)).toEqual([
      'select $1::integer as n',
      'select $1::integer + 1 as n',
    ]);
  });
  await db.end();
});

it('no wait is endless, neither here nor there', async () => {
  const db = connect(database.url);
  const there = sql<Record<string, string>>`select current_setting('lock_timeout') as lock,
    current_setting('statement_timeout') as statement, current_setting('idle_in_transaction_session_timeout') as idle`;
  expect((await there.execute(db.read)).rows).toEqual([{ lock: '5s', statement: '15s', idle: '15s' }]);
  await db.end();
});

it('a connection that is lost at rest is said and replaced, and ends nothing', async () => {
  const said = vi.spyOn(console, 'error').mockReturnValue();
  const db = connect(database.url);
  const pid = async () =>
    (await run<{ pid: number }>(db.write, 'select pg_backend_pid() as pid', []))[0]?.pid;
  const before = await pid();
  await sql`select pg_terminate_backend(${before}::integer)`.execute(database.db.read);
  await expect
    .poll(() => said.mock.calls.flat())
    .toContainEqual(expect.stringMatching(/^A database connection was lost: ./));
  expect(await pid()).not.toBe(before);
  await db.end();
});

const ofDatabase = (code?: string) => Object.assign(new pg.DatabaseError('x', 0, 'error'), { code });
const ofSystem = (code: unknown) => Object.assign(new Error('x'), { code });

// PostgreSQL, Appendix A, "PostgreSQL Error Codes"; the driver's words are those of the version that is installed.
it.each<[boolean, unknown]>([
  ...['08006', '25006', '40P01', '53300', '55P03', '57014', '57P01', '58030'].map(
    (code): [boolean, unknown] => [true, ofDatabase(code)],
  ),
  ...['23505', '22P02', '42P01', '25001', '08', undefined, 'x08006'].map((code): [boolean, unknown] => [
    code === '08',
    ofDatabase(code),
  ]),
  ...['ECONNREFUSED', 'ENOTFOUND'].map((code): [boolean, unknown] => [true, ofSystem(code)]),
  ...['ERR_X', 'XECONN', 'E', 'e2', 7, undefined].map((code): [boolean, unknown] => [false, ofSystem(code)]),
  [true, new Error('Connection terminated unexpectedly')],
  [true, new Error('timeout exceeded when trying to connect')],
  [true, new Error('Query read timeout')],
  [true, new Error('Client has encountered a connection error and is not queryable')],
  [true, new Error('Client was closed and is not queryable')],
  [true, new Error('Cannot use a pool after calling end on the pool')],
  [false, new Error('The Query read timeout')],
  [false, 'ECONNREFUSED'],
])('passes by itself, so that trying again helps: %s for %o', (passes, error) => {
  expect(isUnavailable(error)).toBe(passes);
});

it('a key that is there already is told from all else', () => {
  expect([ofDatabase('23505'), ofDatabase('23503'), ofSystem('23505'), null].map(isTaken)).toEqual([
    true,
    false,
    false,
    false,
  ]);
});
