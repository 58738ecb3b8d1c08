/** `npm start`: installs what is missing, starts the database, builds, and serves until Ctrl+C. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { reachableAt } from './lib/address.mjs';
import { secretsFolder, startAgent, wantsAgent } from './lib/agent.mjs';
import { buildWorkers, ensureBuild } from './lib/build.mjs';
import { isTaken } from './lib/cluster.mjs';
import { openDatabase, runningAt } from './lib/database.mjs';
import { checkNode, ensureNodePackages } from './lib/packages.mjs';
import { BUILD, ROOT } from './lib/paths.mjs';
import { runMain, say, SetUpError } from './lib/say.mjs';

const HOST = process.env.HOST ?? '127.0.0.1';
const PORT = Number(process.env.PORT ?? 4870);
const URL_HERE = `http://${reachableAt(HOST)}:${PORT}`;
const dev = process.argv.includes('--dev');
/** An agent that fails is started again after so long, in ms. */
const AGENT_REST_MS = 5_000;

await runMain(async () => {
  checkNode();
  const already = runningAt();
  if (already) return say(`running already: open ${already}`);
  if (await isTaken(PORT, HOST))
    throw new SetUpError(`Port ${PORT} on ${HOST} is taken by another program. Set PORT to a free one.`);
  await ensureNodePackages();
  const database = await openDatabase({ url: URL_HERE });
  try {
    if (dev) await buildWorkers();
    else await ensureBuild();
    await serve(database.url);
  } finally {
    await database.stop();
  }
});

/**
 * Serves until it is told to stop.
 * @param {string} databaseUrl
 */
async function serve(databaseUrl) {
  const withAgent = !dev && wantsAgent();
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
    KEY_FOLD_WORKERS: join(BUILD, 'workers'),
    ...(withAgent && { KEY_FOLD_DISPLAY_SECRETS: secretsFolder() }),
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
  let stopping = false;
  const stop = () => {
    stopping = true;
    agent?.kill('SIGTERM');
    server.kill('SIGTERM');
  };
  /** @type {import('node:child_process').ChildProcess | null} */
  let agent = null;
  /** Looks after the agent: one that fails is started again; one that ends has a reason, and has said it. */
  const keepAgent = () => {
    if (stopping) return;
    const started = performance.now();
    agent = startAgent(URL_HERE, [server.pid ?? 0, process.pid]);
    agent.on('exit', (code, signal) => {
      if (stopping || (code === 0 && !signal)) return;
      // Not in a tight circle, should it fail at once each time.
      setTimeout(keepAgent, performance.now() - started > AGENT_REST_MS ? 0 : AGENT_REST_MS);
    });
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
  server.on('message', (message) => {
    if (message !== 'serving') return;
    say(`open ${URL_HERE} (Ctrl+C stops it)`);
    if (withAgent) {
      say(`the agent of the display ${process.env.DISPLAY} starts; KEY_FOLD_AGENT=off leaves it off`);
      keepAgent();
    }
  });
  const code = await new Promise((resolve) =>
    server.on('exit', (exitCode, signal) => resolve(signal ? 0 : exitCode)),
  );
  stop();
  if (code !== 0) throw new SetUpError('The server stopped because of the error above.');
}
