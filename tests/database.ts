import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { inject } from 'vitest';

export interface TestDatabase {
  readonly name: string;
  readonly url: string;
  drop(): Promise<void>;
}

/** A new database that leaves nothing behind: an empty one, or a copy of the one called `like`. */
export async function testDatabase(
  server: string = inject('databaseServer'),
  like?: string,
): Promise<TestDatabase> {
  const name = `key_fold_test_${randomUUID().replaceAll('-', '')}`;
  await administer(server, `create database ${name}${like === undefined ? '' : ` template ${like}`}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  return { name, url: url.href, drop: () => administer(server, `drop database ${name} with (force)`) };
}

async function administer(server: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: server });
  await client.connect();
  try {
    await client.query(statement);
  } finally {
    await client.end();
  }
}
