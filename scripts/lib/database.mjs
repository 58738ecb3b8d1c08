/** The database that Key Fold's scripts work on. */
import { join } from 'node:path';
import { clusterUrl, dataFolder, ensurePostgres, openCluster } from './cluster.mjs';
import { holderOf, takeLock } from './run-lock.mjs';
import { SetUpError } from './say.mjs';

export const DB_PORT = Number(process.env.KEY_FOLD_DB_PORT ?? 54870);

const lockFile = () => join(dataFolder(), 'running.json');

/** Where Key Fold runs on this clone's data already; null if it does not. */
export const runningAt = () => (process.env.DATABASE_URL ? null : (holderOf(lockFile())?.url ?? null));

/**
 * The database: the server at DATABASE_URL, or a cluster of this clone's own, which nobody else may have open.
 * @param {import('./run-lock.mjs').About} about what others who want it are told: `url`, where Key Fold is served
 * @throws SetUpError if someone else has it open.
 */
export async function openDatabase(about) {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: async () => {} };
  await ensurePostgres();
  const giveBack = takeLock(lockFile(), about);
  if (!giveBack)
    throw new SetUpError(`Key Fold is running already: ${holderOf(lockFile())?.url ?? 'starting'}`);
  try {
    const { url, stop } = await openCluster(DB_PORT);
    return { url, stop: () => stop().finally(giveBack) };
  } catch (error) {
    giveBack();
    throw error;
  }
}

/**
 * The database as it stands: the running one if Key Fold runs, else opened for as long as `work` takes.
 * @template R
 * @param {(url: string) => Promise<R>} work
 */
export async function withDatabase(work) {
  if (runningAt()) return work(clusterUrl());
  const database = await openDatabase({ url: 'a script of Key Fold’s' });
  try {
    return await work(database.url);
  } finally {
    await database.stop();
  }
}
