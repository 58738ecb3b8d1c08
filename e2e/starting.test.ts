/** `npm start` and what belongs to it, on a data folder of their own. */
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort } from '../scripts/lib/cluster.mjs';
import { Script } from '../testing/script';

let folder: string;
let env: NodeJS.ProcessEnv;
let url: string;
let started: Script;

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
  started = new Script('start', env);
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
      const port = how === 'another port' ? String(await freePort()) : env['PORT'];
      const second = new Script('start', { ...env, PORT: port });
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
    const backup = new Script('backup', env, [file]);
    expect(await backup.ended, backup.said).toBe(0);
    expect(existsSync(file)).toBe(true);
    expect(await new Script('backup', env, [file]).ended).toBe(1);

    await fetch(`${url}/api/sessions/ellavane`, { method: 'DELETE' });
    expect(await status('/api/sessions/ellavane')).toBe(404);
    const early = new Script('restore', env, [file]);
    expect(await early.ended).toBe(1);
    expect(early.said).toContain(`running at ${url}`);

    started.interrupt();
    expect(await started.ended).toBe(0);
    const restore = new Script('restore', env, [file]);
    expect(await restore.ended, restore.said).toBe(0);
    started = new Script('start', env);
    await started.says(`open ${url}`);
    expect(await status('/api/sessions/ellavane')).toBe(200);
  });
});
