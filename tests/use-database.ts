import { afterAll, beforeAll, inject } from 'vitest';
import { connect, type Database } from '../src/lib/server/database/connect';
import { testDatabase, type TestDatabase } from './database';

/** A migrated database for the tests of one file; call once, outside of any test. */
export function useDatabase(): { readonly db: Database; readonly url: string } {
  let database: TestDatabase;
  let db: Database;
  beforeAll(async () => {
    database = await testDatabase(inject('databaseServer'), inject('migratedDatabase'));
    db = connect(database.url);
  });
  afterAll(async () => {
    await db.end();
    await database.drop();
  });
  return {
    get db() {
      return db;
    },
    get url() {
      return database.url;
    },
  };
}
