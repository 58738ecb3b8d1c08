import { Kysely, PostgresDialect } from 'kysely';
import pg from 'pg';
import type { Schema } from './schema';

/** A pool of connections to the database at `url`. A connection lost while idle is replaced at its next use. */
export function connect(url: string): Kysely<Schema> {
  const pool = new pg.Pool({ connectionString: url, max: 10 });
  pool.on('error', (error) => console.error(`A database connection was lost: ${error.message}`));
  return new Kysely<Schema>({ dialect: new PostgresDialect({ pool }) });
}
