/** `npm start`: installs what is missing, starts the database, builds, and serves until Ctrl+C. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensurePostgres, isTaken, openCluster } from './lib/cluster.mjs';
import { checkNode, ensureNodePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { runMain, say, SetUpError } from './lib/say.mjs';

const HOST = process.env.HOST ?? '127.0.0.1';
const PORT = Number(process.env.PORT ?? 4870);
const DB_PORT = Number(process.env.KEY_FOLD_DB_PORT ?? 54870);
const dev = process.argv.includes('--dev');

await runMain(async () => {
  checkNode();
  if (await isTaken(PORT, HOST))
    throw new SetUpError(
      `Port ${PORT} on ${HOST} is taken; perhaps Key Fold runs already. Set PORT to a free one.`,
    );
  await ensureNodePackages();
  const database = await openDatabase();
  try {
    if (!dev) await ensureBuild();
    await serve(database.url);
  } finally {
    await database.stop();
  }
});

async function openDatabase() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: async () => {} };
  await ensurePostgres();
  return openCluster(DB_PORT);
}

/** Serves until it is told to stop. */
async function serve(databaseUrl) {
  const program = dev
    ? ['node_modules/vite/bin/vite.js', 'dev', '--host', HOST, '--port', String(PORT), '--strictPort']
    : ['scripts/serve.mjs'];
  const env = {
    ...process.env,
    HOST,
    PORT: String(PORT),
    DATABASE_URL: databaseUrl,
    SHUTDOWN_TIMEOUT: '1',
    BODY_SIZE_LIMIT: 'Infinity',
  };
  // A group of its own, so that Ctrl+C reaches this script alone, which then stops things in order.
  const server = spawn(
    process.execPath,
    program.map((part, i) => (i === 0 ? join(ROOT, part) : part)),
    {
      cwd: ROOT,
      env,
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      detached: true,
    },
  );
  const stop = () => server.kill('SIGTERM');
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
  server.on('message', (message) => {
    if (message === 'serving')
      say(`open http://${HOST === '127.0.0.1' ? 'localhost' : HOST}:${PORT} (Ctrl+C stops it)`);
  });
  const code = await new Promise((resolve) =>
    server.on('exit', (exitCode, signal) => resolve(signal ? 0 : exitCode)),
  );
  if (code !== 0) throw new SetUpError('The server stopped because of the error above.');
}
