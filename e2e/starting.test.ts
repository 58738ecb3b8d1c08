/** `npm start` and what belongs to it, on a data folder of their own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort } from '../scripts/lib/cluster.mjs';

let folder: string;
let env: NodeJS.ProcessEnv;
let url: string;
let started: Script;

/** One of Key Fold's scripts, running. */
class Script {
  said = '';
  readonly ended: Promise<number | null>;
  readonly #child: ChildProcess;

  constructor(name: string, args: readonly string[] = [], more: NodeJS.ProcessEnv = {}) {
    this.#child = spawn(process.execPath, [`scripts/${name}.mjs`, ...args], { env: { ...env, ...more } });
    for (const stream of [this.#child.stdout, this.#child.stderr])
      stream?.setEncoding('utf8').on('data', (text: string) => (this.said += text));
    this.ended = new Promise((resolve) => this.#child.on('exit', resolve));
  }

  /** Waits until it has said something; ends with an error if it ended before. */
  async says(text: string): Promise<void> {
    let ended = false;
    void this.ended.then(() => (ended = true));
    while (!this.said.includes(text)) {
      if (ended) throw new Error(`It ended before it said '${text}'. It said: ${this.said}`);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  }

  interrupt(): void {
    this.#child.kill('SIGINT');
  }
}

const status = async (path: string) => (await fetch(`${url}${path}`).catch(() => null))?.status ?? 0;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'key-fold-start-'));
  chmodSync(folder, 0o755);
  const port = await freePort();
  url = `http://localhost:${port}`;
  env = {
    ...process.env,
    KEY_FOLD_DATA: join(folder, 'data'),
    KEY_FOLD_DB_PORT: String(await freePort()),
    PORT: String(port),
    HOST: '127.0.0.1',
  };
  started = new Script('start');
  await started.says(`open ${url}`);
});

afterAll(async () => {
  started.interrupt();
  await started.ended;
  rmSync(folder, { recursive: true, force: true });
});

describe('a second start', () => {
  it.each(['the same port', 'another port'])(
    'on %s says where the first one is, and leaves it alone',
    async (how) => {
      const second = new Script(
        'start',
        [],
        how === 'another port' ? { PORT: String(await freePort()) } : {},
      );
      expect(await second.ended).toBe(0);
      expect(second.said).toContain(`running already: open ${url}`);
      expect(await status('/api/sessions/ellavane')).toBe(200);
    },
  );
});

describe('the database', () => {
  it('is started again when it dies', async () => {
    const pid = () =>
      Number(readFileSync(join(folder, 'data/postgres/postmaster.pid'), 'utf8').split('\n')[0]);
    const before = pid();
    process.kill(before, 'SIGKILL');
    await started.says('starting it again');
    await expect.poll(() => status('/api/sessions/ellavane')).toBe(200);
    expect(pid()).not.toBe(before);
  });
});

describe('backup and restore', () => {
  it('bring back what was there, and are careful with what is', async () => {
    const file = join(folder, 'backup');
    const backup = new Script('backup', [file]);
    expect(await backup.ended, backup.said).toBe(0);
    expect(existsSync(file)).toBe(true);
    expect(await new Script('backup', [file]).ended).toBe(1);

    await fetch(`${url}/api/sessions/ellavane`, { method: 'DELETE' });
    expect(await status('/api/sessions/ellavane')).toBe(404);
    const early = new Script('restore', [file]);
    expect(await early.ended).toBe(1);
    expect(early.said).toContain(`running at ${url}`);

    started.interrupt();
    expect(await started.ended).toBe(0);
    const restore = new Script('restore', [file]);
    expect(await restore.ended, restore.said).toBe(0);
    started = new Script('start');
    await started.says(`open ${url}`);
    expect(await status('/api/sessions/ellavane')).toBe(200);
  });
});
