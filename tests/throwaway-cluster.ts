/** A database server for the tests of one run: one of their own, or the one at TEST_DATABASE_URL. */
import type { TestProject } from 'vitest/node';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { migrate } from '../src/lib/server/database/migrate';
import { testDatabase } from './database';

declare module 'vitest' {
  interface ProvidedContext {
    databaseServer: string;
    /** A migrated, empty database on it, to be copied: migrating takes longer. */
    migratedDatabase: string;
  }
}

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const own = process.env.TEST_DATABASE_URL;
  const cluster = own ? { url: own, stop: async () => undefined } : await throwawayCluster();
  project.provide('databaseServer', cluster.url);
  const migrated = await testDatabase(cluster.url);
  await migrate(migrated.url);
  project.provide('migratedDatabase', migrated.name);
  return async () => {
    await migrated.drop();
    await cluster.stop();
  };
}
