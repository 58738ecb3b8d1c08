/** One server for all browser tests that do not kill theirs. */
import type { TestProject } from 'vitest/node';
import { testDatabase } from '../../tests/database';
import { startServer } from '../../testing/server';

declare module 'vitest' {
  interface ProvidedContext {
    baseUrl: string;
    /** The origin of the demo's web pages. */
    pagesUrl: string;
  }
}

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const database = await testDatabase(project.getProvidedContext().databaseServer);
  const server = await startServer(database.url);
  project.provide('baseUrl', server.url);
  project.provide('pagesUrl', server.pages);
  return async () => {
    await server.kill();
    await database.drop();
  };
}
