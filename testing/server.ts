/** Servers for browser tests: the real build, in a process of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { freePort } from '../scripts/lib/cluster.mjs';

export interface RunningServer {
  readonly url: string;
  readonly port: number;
  /** The origin of the demo's web pages. */
  readonly pages: string;
  /** What it has printed so far. */
  said(): string;
  /** Ends it as a power cut would. */
  kill(): Promise<void>;
  /** Asks it to end, as Ctrl+C does; resolves with its exit code. */
  terminate(): Promise<number | null>;
}

/**
 * Starts the build on a port with a database; resolves once it answers.
 * @param env what it is told besides: `HOST`, for one
 */
export async function startServer(
  databaseUrl: string,
  port?: number,
  env: Readonly<Record<string, string>> = {},
): Promise<RunningServer> {
  const listening = port ?? (await freePort());
  const pages = await freePort();
  const child = spawn(process.execPath, ['scripts/serve.mjs'], {
    env: {
      ...process.env,
      HOST: '127.0.0.1',
      PORT: String(listening),
      DATABASE_URL: databaseUrl,
      BODY_SIZE_LIMIT: 'Infinity',
      SHUTDOWN_TIMEOUT: '1',
      KEY_FOLD_PAGES_PORT: String(pages),
      ...env,
    },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  let said = '';
  child.stdout?.setEncoding('utf8').on('data', (text: string) => (said += text));
  await new Promise<void>((resolve, reject) => {
    child.on('message', (message) => message === 'serving' && resolve());
    child.on('exit', (code) => reject(new Error(`The server ended with ${code} before it served.`)));
  });
  return {
    url: `http://127.0.0.1:${listening}`,
    port: listening,
    pages: `http://127.0.0.1:${pages}`,
    said: () => said,
    kill: async () => void (await ended(child, 'SIGKILL')),
    terminate: () => ended(child, 'SIGTERM'),
  };
}

function ended(child: ChildProcess, signal: NodeJS.Signals): Promise<number | null> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve(child.exitCode);
  return new Promise((resolve) => {
    child.on('exit', resolve);
    child.kill(signal);
  });
}
