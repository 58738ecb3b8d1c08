/** A server that can be reached from elsewhere lets in only those who have its key. */
import { networkInterfaces } from 'node:os';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testDatabase, type TestDatabase } from '../tests/database';
import { AccessKeys } from '../src/lib/server/access/access-keys';
import { connect } from '../src/lib/server/database/connect';
import { newContext, useBrowser } from './support/browser';
import { startServer, type RunningServer } from '../testing/server';

useBrowser();

/** An address of this machine that is not loopback, or loopback where there is none. */
const address =
  Object.values(networkInterfaces())
    .flat()
    .find((one) => one && !one.internal && one.family === 'IPv4')?.address ?? '127.0.0.1';

let database: TestDatabase;
let server: RunningServer;
let here: string;

beforeAll(async () => {
  database = await testDatabase();
  server = await startServer(database.url, undefined, { HOST: '0.0.0.0' });
  here = `http://${address}:${server.port}`;
});

afterAll(async () => {
  await server.kill();
  await database.drop();
});

describe('without the key', () => {
  it.each([
    '/api/sessions/ellavane',
    '/api/events?after=ellavane:0',
    '/session-document.schema.json',
    '/problems/refused',
  ])('%s answers 401', async (path) => {
    for (const name of [address, '127.0.0.1']) {
      const response = await fetch(`http://${name}:${server.port}${path}`);
      expect(response.status).toBe(401);
      expect(await response.json()).toMatchObject({ type: '/problems/key-needed' });
    }
  });

  it('a browser is asked for it, and nothing else', async () => {
    const context = await newContext();
    const page = await context.newPage();
    await page.goto(`${here}/sessions/ellavane`);
    await page.getByLabel('Access key').waitFor();
    expect(new URL(page.url()).pathname).toBe('/access');
    await page.keyboard.type('not the key');
    await page.keyboard.press('Enter');
    await page.getByRole('alert').getByText('not the access key').waitFor();
    await context.close();
  });
});

describe('with the link that was printed', () => {
  it('a browser comes in, works, and stays in; a new key puts it out', async () => {
    const link = /http:\S+\/access#\S+/.exec(server.said())?.[0] ?? '';
    expect(link).toContain(`:${server.port}/access#`);
    const context = await newContext();
    const page = await context.newPage();
    await page.goto(link.replace(/\/\/[^/]+/, `//${address}:${server.port}`));
    await page.getByRole('main', { name: 'Surface' }).waitFor();
    const [cookie] = await context.cookies();
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
    // Not a secure context: what browsers offer only there must not be needed.
    await page.keyboard.press('Alt+KeyS');
    await page.locator('[data-unsent="0"]').waitFor();
    await page.reload();
    await page.getByRole('region', { name: 'Timber Quay — Berths' }).waitFor();

    const db = connect(database.url);
    await new AccessKeys(db).renew();
    await db.end();
    await expect
      .poll(async () => (await page.request.get(`${here}/api/sessions/ellavane`)).status())
      .toBe(401);
    await context.close();
  });
});
