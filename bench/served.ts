/** A build of Key Fold with the bench's own route in it, served with a database of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdirSync, rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { freePort, throwawayCluster } from '../scripts/lib/cluster.mjs';
import { ROOT } from '../scripts/lib/paths.mjs';
import { run } from '../scripts/lib/run.mjs';

const COPIED = [
  'src',
  'static',
  'demo-pages',
  'scripts',
  'package.json',
  'svelte.config.js',
  'vite.config.ts',
  'vite.workers.config.ts',
  'tsconfig.json',
];

export interface Served {
  readonly url: string;
  readonly databaseUrl: string;
  readonly pid: number;
  stop(): Promise<void>;
}

/** Builds the copy, starts a database that keeps what it acknowledges, and serves. */
export async function served(): Promise<Served> {
  const folder = join(ROOT, 'node_modules', '.bench');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  for (const name of COPIED) cpSync(join(ROOT, name), join(folder, name), { recursive: true });
  symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
  cpSync(join(ROOT, 'bench/floor'), join(folder, 'src/routes/floor'), { recursive: true });
  await run('npx', ['vite', 'build'], { cwd: folder });
  await run('npx', ['vite', 'build', '--config', 'vite.workers.config.ts'], { cwd: folder });

  const cluster = await throwawayCluster({ durable: true });
  const port = await freePort();
  const child = spawn(process.execPath, ['scripts/serve.mjs'], {
    cwd: folder,
    env: {
      ...process.env,
      HOST: '127.0.0.1',
      PORT: String(port),
      DATABASE_URL: cluster.url,
      BODY_SIZE_LIMIT: 'Infinity',
      SHUTDOWN_TIMEOUT: '1',
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  await new Promise<void>((resolve, reject) => {
    child.on('message', () => resolve());
    child.on('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
  });
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  await client.query('create table floor (id bigserial primary key, body json not null)');
  await client.end();
  return {
    url: `http://127.0.0.1:${port}`,
    databaseUrl: cluster.url,
    pid: child.pid ?? 0,
    stop: async () => {
      await ended(child);
      await cluster.stop();
    },
  };
}

function ended(child: ChildProcess): Promise<void> {
  return new Promise((resolve) => {
    child.removeAllListeners('exit');
    child.on('exit', () => resolve());
    child.kill('SIGKILL');
  });
}
