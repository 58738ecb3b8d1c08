/** Servers for browser tests: the real build, in a process of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { freePort } from '../../scripts/lib/cluster.mjs';

export interface RunningServer {
  readonly url: string;
  readonly port: number;
  /** Ends it as a power cut would. */
  kill(): Promise<void>;
  /** Asks it to end, as Ctrl+C does; resolves with its exit code. */
  terminate(): Promise<number | null>;
}

/** Starts the build on a loopback port with a database; resolves once it answers. */
export async function startServer(databaseUrl: string, port?: number): Promise<RunningServer> {
  const listening = port ?? (await freePort());
  const child = spawn(process.execPath, ['scripts/serve.mjs'], {
    env: {
      ...process.env,
      HOST: '127.0.0.1',
      PORT: String(listening),
      DATABASE_URL: databaseUrl,
      BODY_SIZE_LIMIT: 'Infinity',
      SHUTDOWN_TIMEOUT: '1',
    },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  await new Promise<void>((resolve, reject) => {
    child.on('message', (message) => message === 'serving' && resolve());
    child.on('exit', (code) => reject(new Error(`The server ended with ${code} before it served.`)));
  });
  return {
    url: `http://127.0.0.1:${listening}`,
    port: listening,
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
