/** Key Fold installed: its manifest, and what its service worker keeps for when the server cannot be reached. */
import { readFileSync } from 'node:fs';
import { describe, expect, inject, it } from 'vitest';
import { webManifest } from '../src/lib/core/guests/web-manifest';
import { ellavane } from '../src/lib/demo/ellavane';
import { startServer } from '../testing/server';
import { testDatabase } from '../tests/database';
import {
  createSession,
  newContext,
  openPage,
  storedSession,
  useBrowser,
  type Person,
} from './support/browser';

useBrowser();

describe('the manifest', () => {
  interface Manifest {
    readonly icons: readonly { readonly src: string; readonly sizes: string; readonly type: string }[];
  }
  const get = (path: string) => fetch(`${inject('baseUrl')}${path}`);

  it('is one, and its pictures are there in the sizes that it says', async () => {
    const text = await (await get('/manifest.webmanifest')).text();
    const read = webManifest(text, new URL(inject('baseUrl')));
    expect(read).toMatchObject({
      manifest: { name: 'Key Fold', display: 'standalone', scope: new URL(inject('baseUrl')) },
    });
    const { icons } = JSON.parse(text) as Manifest;
    for (const { src, sizes, type } of icons) {
      const response = await get(src);
      expect(response.headers.get('content-type')).toBe(type);
      const bytes = Buffer.from(await response.arrayBuffer());
      // PNG specification (W3C), 11.2.2: width and height stand at the beginning of the IHDR chunk.
      if (type === 'image/png') expect(`${bytes.readUInt32BE(16)}x${bytes.readUInt32BE(20)}`).toBe(sizes);
    }
    // Chromium installs pages with pictures of these sizes (common practice).
    expect(icons.map(({ sizes }) => sizes)).toEqual(expect.arrayContaining(['192x192', '512x512']));
  });

  it('Chromium finds nothing in it that would keep it from being installed', async () => {
    const person = await openPage(await createSession(ellavane(new Date())), {
      context: await newContext('allow'),
    });
    const devtools = await person.page.context().newCDPSession(person.page);
    const { errors } = await devtools.send('Page.getAppManifest');
    expect(errors).toEqual([]);
    const { installabilityErrors } = await devtools.send('Page.getInstallabilityErrors');
    // A profile of a test is one that keeps nothing, and nothing is installed into such.
    expect(installabilityErrors.map(({ errorId }) => errorId).filter((id) => id !== 'in-incognito')).toEqual(
      [],
    );
    await person.page.context().close();
  });

  it('is told by every page', () => {
    expect(readFileSync('src/app.html', 'utf8')).toContain('rel="manifest"');
  });
});

describe('without the server', () => {
  /** Until the worker has everything, and serves this page. */
  async function kept(person: Person) {
    await person.page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await person.reload();
    await expect
      .poll(() => person.page.evaluate(() => navigator.serviceWorker.controller?.state))
      .toBe('activated');
    await person.reload();
  }

  it('a desk opens as it was, and what is done there is stored once the server is back', async () => {
    const database = await testDatabase(inject('databaseServer'));
    let server = await startServer(database.url);
    const context = await newContext('allow');
    try {
      const id = await createSession(ellavane(new Date()), server.url);
      const person = await openPage(id, { url: server.url, context });
      await person.sent();
      await kept(person);
      await server.kill();
      await person.reload();
      expect(await person.frontName()).toBe('Lock Sill — Tides');
      await person.chord('2');
      expect(await person.frontName()).toMatch(/Berths$/);
      await person.reload();
      expect(await person.frontName()).toMatch(/Berths$/);
      // Where Key Fold begins is where one was; a desk that was never here cannot be shown, and that is said.
      await person.page.goto(server.url);
      expect(person.page.url()).toBe(`${server.url}/sessions/${id}`);
      const other = await context.newPage();
      await other.goto(`${server.url}/sessions/never-seen`);
      await other.getByRole('heading', { name: 'Key Fold’s server cannot be reached' }).waitFor();
      server = await startServer(database.url, server.port);
      await person.sent();
      const { session } = await storedSession(id, server.url);
      expect(session.front).toMatch(/^w-.*(quay|jetty)$/);
    } finally {
      await context.close();
      await server.kill();
      await database.drop();
    }
  });

  it('the worker answers for nothing but pages and files: commands and events go to the server', async () => {
    const context = await newContext('allow');
    const person = await openPage(await createSession(ellavane(new Date())), { context });
    await kept(person);
    const answers = new Map<string, boolean>();
    person.page.on('response', (response) =>
      answers.set(new URL(response.url()).pathname, response.fromServiceWorker()),
    );
    await person.chord('2');
    await person.sent();
    expect(answers.get(`/api/sessions/${person.session}/commands`)).toBe(false);
    await person.reload();
    expect(answers.get(`/sessions/${person.session}`)).toBe(true);
    expect(person.errors).toEqual([]);
    await context.close();
  });
});

it('full screen locks the keys to the page, and is left again', async () => {
  const person = await openPage(await createSession(ellavane(new Date())), { context: await newContext() });
  const { page } = person;
  await page.evaluate(() => {
    const counted = window as unknown as { locks: number };
    counted.locks = 0;
    const { keyboard } = navigator as unknown as { keyboard: { lock(): Promise<void>; unlock(): void } };
    keyboard.lock = async () => void (counted.locks += 1);
    keyboard.unlock = () => void (counted.locks = 0);
  });
  const locks = () => page.evaluate(() => (window as unknown as { locks: number }).locks);
  const isFull = () => page.evaluate(() => document.fullscreenElement !== null);
  const toggle = async () => {
    await person.chord('Q');
    await page.keyboard.type('full screen');
    await person.selectedLeaf.waitFor();
    await person.press('Enter');
  };
  await toggle();
  await expect.poll(isFull).toBe(true);
  await expect.poll(locks).toBe(1);
  await toggle();
  await expect.poll(isFull).toBe(false);
  await expect.poll(locks).toBe(0);
  expect(person.errors).toEqual([]);
  await page.context().close();
});
