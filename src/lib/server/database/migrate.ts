import { Migrator, type Kysely, type Migration } from 'kysely';
import { eventLog } from './migrations/0001-event-log';
import { oneRowABatch } from './migrations/0002-one-row-a-batch';
import { accessKey } from './migrations/0003-access-key';
import { reports } from './migrations/0004-reports';
import { displays } from './migrations/0005-displays';
import { switches } from './migrations/0006-switches';
import { locks } from './migrations/0007-locks';
import { pictures } from './migrations/0008-pictures';
import { connectPatiently } from './connect';
import type { Schema } from './schema';

/** Every migration under the name it is recorded by; new ones go at the end. */
const MIGRATIONS: Record<string, Migration> = {
  '0001-event-log': eventLog,
  '0002-one-row-a-batch': oneRowABatch,
  '0003-access-key': accessKey,
  '0004-reports': reports,
  '0005-displays': displays,
  '0006-switches': switches,
  '0007-locks': locks,
  '0008-pictures': pictures,
};

/** The database was made by a newer Key Fold than this one. */
export class NewerDatabaseError extends Error {
  constructor(unknown: readonly string[]) {
    super(
      `The database is of a newer version of Key Fold (it has ${unknown.join(', ')}). ` +
        'Update Key Fold, or give it another database with DATABASE_URL. Nothing was changed.',
    );
  }
}

/**
 * Brings the database at `url` up to date, or as far as the migration `to`. Several servers may do so at once.
 * @throws NewerDatabaseError if the database has migrations that this version does not know.
 */
export async function migrate(url: string, to?: string): Promise<void> {
  const db = connectPatiently(url);
  try {
    const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } });
    const unknown = (await appliedMigrations(db)).filter((name) => !Object.hasOwn(MIGRATIONS, name));
    if (unknown.length > 0) throw new NewerDatabaseError(unknown);
    const { error } = to === undefined ? await migrator.migrateToLatest() : await migrator.migrateTo(to);
    if (error !== undefined)
      throw error instanceof Error ? error : new Error('The migration failed.', { cause: error });
  } finally {
    await db.destroy();
  }
}

async function appliedMigrations(db: Kysely<Schema>): Promise<string[]> {
  const tables = await db.introspection.getTables({ withInternalKyselyTables: true });
  if (!tables.some((table) => table.name === 'kysely_migration')) return [];
  const records = db.withTables<{ kysely_migration: { name: string } }>();
  return (await records.selectFrom('kysely_migration').select('name').execute()).map(({ name }) => name);
}
