import { CompiledQuery, Kysely, PostgresDialect } from 'kysely';
import pg from 'pg';
import type { Schema } from './schema';

/** Connections that write, and connections that read, so that no crowd of readers keeps a command from being stored. */
const WRITING = 2;
const READING = 6;

/** No wait is endless, in ms: for a connection, for a lock, for an answer. */
const CONNECT_MS = 5_000;
const LOCK_MS = 5_000;
const STATEMENT_MS = 15_000;
/** Past this the connection itself is taken for dead. */
const ANSWER_MS = 20_000;

/** A database, with connections of their own for writing and for reading. A lost connection is replaced at its next use. */
export interface Database {
  readonly write: Kysely<Schema>;
  readonly read: Kysely<Schema>;
  readonly url: string;
  end(): Promise<void>;
}

/** Connects to the database at `url`. Nothing is sent before the first query. */
export function connect(url: string): Database {
  const write = pool(url, WRITING);
  const read = pool(url, READING);
  return { write, read, url, end: async () => void (await Promise.all([write.destroy(), read.destroy()])) };
}

/** One connection without time-outs, for migrations. */
export const connectPatiently = (url: string): Kysely<Schema> => kyselyOf({ connectionString: url, max: 1 });

const pool = (url: string, max: number): Kysely<Schema> =>
  kyselyOf({
    connectionString: url,
    max,
    connectionTimeoutMillis: CONNECT_MS,
    lock_timeout: LOCK_MS,
    statement_timeout: STATEMENT_MS,
    query_timeout: ANSWER_MS,
    idle_in_transaction_session_timeout: STATEMENT_MS,
    keepAlive: true,
  });

function kyselyOf(config: pg.PoolConfig): Kysely<Schema> {
  const connections = new pg.Pool({ ...config, Client: PreparingClient });
  const lost = (error: Error) => console.error(`A database connection was lost: ${error.message}`);
  connections.on('error', lost);
  // One that is in use reports its loss itself; without a listener that would end the process.
  connections.on('connect', (client) => client.on('error', () => undefined));
  return new Kysely<Schema>({ dialect: new PostgresDialect({ pool: connections }) });
}

/** Names every statement that has parameters, so that PostgreSQL plans it once a connection. */
class PreparingClient extends pg.Client {
  static readonly #names = new Map<string, string>();

  // The driver calls it with a text and values; everything else goes through as it is.
  override query(...args: unknown[]): never {
    const [text, values, ...rest] = args;
    const prepared = typeof text === 'string' && Array.isArray(values) && values.length > 0;
    const query = prepared ? [{ name: PreparingClient.#nameOf(text), text, values }, ...rest] : args;
    // eslint-disable-next-line @typescript-eslint/unbound-method -- applied to this very client
    return Reflect.apply(super.query, this, query) as never;
  }

  static #nameOf(text: string): string {
    const name = this.#names.get(text) ?? `s${this.#names.size}`;
    this.#names.set(text, name);
    return name;
  }
}

/** Runs a statement that was written down once; `R` is what its rows are. */
export async function run<R>(
  db: Kysely<Schema>,
  statement: string,
  values: readonly unknown[],
): Promise<readonly R[]> {
  return (await db.executeQuery<R>(CompiledQuery.raw(statement, [...values]))).rows;
}
