/** A database server for the tests of one run: one of their own, or the one at TEST_DATABASE_URL. */
import type { TestProject } from 'vitest/node';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';

declare module 'vitest' {
  interface ProvidedContext {
    databaseServer: string;
  }
}

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const own = process.env.TEST_DATABASE_URL;
  const cluster = own ? { url: own, stop: async () => undefined } : await throwawayCluster();
  project.provide('databaseServer', cluster.url);
  return () => cluster.stop();
}
