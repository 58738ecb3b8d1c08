/** The lock, from the key to the passphrase, on every page and at every address. */
import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { describe, expect, inject, it } from 'vitest';
import { at } from './support/at';
import { ellavane } from '../src/lib/demo/ellavane';
import { atSession, createSession, newContext, openPage, useBrowser } from './support/browser';

useBrowser();

const PASSPHRASE = 'bell tide timber';
/** Of a window. */
const TITLE = 'Timber Quay';
const url = (path: string) => `${inject('baseUrl')}${path}`;
const send = (method: string, path: string, body: object) =>
  fetch(url(path), { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

/** What a browser keeps of desks for when there is no server. */
const kept = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const texts: string[] = [];
    for (const name of await caches.keys()) {
      const cache = await caches.open(name);
      for (const request of await cache.keys())
        if (request.url.includes('/sessions/'))
          texts.push((await (await cache.match(request))?.text()) ?? '');
    }
    return texts.join();
  });

describe('a locked session', () => {
  it('answers 423 at every address but its lock’s, and changes nothing', async () => {
    const id = await createSession(ellavane(new Date()));
    const here = `/api/sessions/${id}`;
    expect(await (await fetch(url(`/sessions/${id}/__data.json`))).text()).toContain(TITLE);
    expect((await send('PUT', `${here}/lock`, {})).status).toBe(409);
    const short = await send('PUT', `${here}/lock`, { passphrase: 'short' });
    expect([short.status, await short.json()]).toMatchObject([422, { type: '/problems/not-a-passphrase' }]);
    expect((await send('PUT', `${here}/lock`, { passphrase: PASSPHRASE })).status).toBe(204);
    const batch = { id: randomUUID(), commands: [] };
    const asked = [
      fetch(url(here)),
      fetch(url(here), { method: 'DELETE' }),
      fetch(url(`${here}/document`)),
      fetch(url(`${here}/events`)),
      fetch(url(`${here}/events`), { method: 'HEAD' }),
      fetch(url(`${here}/switches`)),
      fetch(url(`${here}/switches`), { method: 'DELETE' }),
      send('POST', `${here}/commands`, batch),
      send('POST', `${here}/pictures`, { windows: [] }),
      send('POST', `${here}/shots`, { window: null }),
      send('POST', `${here}/captures`, {}),
      fetch(url(`${here}/captures/${'0'.repeat(64)}`)),
      fetch(url(`${here}/processes`)),
      fetch(url(`/sessions/${id}/pages/d-a1`)),
    ];
    for (const response of await Promise.all(asked))
      expect([response.url, response.status]).toEqual([response.url, 423]);
    const data = await (await fetch(url(`/sessions/${id}/__data.json`))).text();
    expect(data).toContain(id);
    expect(data).not.toContain(TITLE);
    expect(await (await fetch(url(`${here}/lock`))).json()).toEqual({ locked: true, passphrase: true });
    expect((await send('POST', `${here}/lock`, { passphrase: 'bell tide' })).status).toBe(403);
    expect((await send('PUT', `/api/sessions/s-nowhere/lock`, { passphrase: PASSPHRASE })).status).toBe(404);
    expect((await send('POST', `${here}/lock`, { passphrase: PASSPHRASE })).status).toBe(204);
    expect((await fetch(url(here))).status).toBe(200);
    expect(
      (await send('PATCH', `${here}/lock`, { passphrase: PASSPHRASE, next: 'timber tide bell' })).status,
    ).toBe(204);
  });
});

describe('one key', () => {
  it('asks for a passphrase the first time, then covers every page until it is entered', async () => {
    const context = await newContext('allow');
    const session = await createSession(ellavane(new Date()));
    const person = await at(openPage(session, { context }));
    const other = await at(openPage(session, { context }));
    const { page } = person;
    // From now on this browser keeps the desk for when there is no server.
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect.poll(() => kept(page)).toContain(TITLE);
    await person.chord('Shift+Backspace');
    await page.getByRole('heading', { name: 'A passphrase to lock with' }).waitFor();
    await page.keyboard.type('bell');
    await page.keyboard.press('Enter');
    await page.getByRole('alert').getByText('at least 8 characters').waitFor();
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type(PASSPHRASE);
    await page.keyboard.press('Tab');
    await page.keyboard.type(`${PASSPHRASE}s`);
    await page.keyboard.press('Enter');
    await page.getByRole('alert').getByText('not the same').waitFor();
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Enter');
    for (const one of [page, other.page]) {
      await one.getByRole('heading', { name: 'This desk is locked' }).waitFor();
      expect(await one.content()).not.toContain(TITLE);
      expect(await kept(one)).not.toContain(TITLE);
    }
    await page.keyboard.type('bell tide');
    await page.keyboard.press('Enter');
    await page.getByRole('alert').getByText('not the passphrase').waitFor();
    // The line is there to be written over.
    await page.keyboard.type(PASSPHRASE);
    await page.keyboard.press('Enter');
    await person.front.waitFor();
    expect(await other.page.getByRole('heading', { name: 'This desk is locked' }).count()).toBe(1);
    // Whoever comes to it finds it open.
    await other.page.evaluate(() => window.dispatchEvent(new Event('focus')));
    await other.front.waitFor();
    await person.chord('Shift+Backspace');
    await page.getByRole('heading', { name: 'This desk is locked' }).waitFor();
  });

  it('covers a page at the drill, which has the keys of the desk and nothing else of it', async () => {
    const id = await createSession(ellavane(new Date()));
    const context = await newContext();
    const drill = await context.newPage();
    const answers: Promise<string>[] = [];
    drill.on('response', (response) => {
      if (response.url().includes('/drill')) answers.push(response.text());
    });
    await drill.goto(url(`/sessions/${id}/drill`));
    await drill.getByRole('button', { name: 'Begin a round' }).waitFor();
    const answered = (await Promise.all(answers)).join();
    expect(answered).toContain('ownKeys');
    expect(answered).not.toContain(TITLE);
    expect((await send('PUT', `/api/sessions/${id}/lock`, { passphrase: PASSPHRASE })).status).toBe(204);
    await drill.getByRole('heading', { name: 'This desk is locked' }).waitFor();
    await drill.keyboard.type(PASSPHRASE);
    await drill.keyboard.press('Enter');
    await drill.getByRole('button', { name: 'Begin a round' }).waitFor();
  });

  it('says so where the server cannot be reached, and gives the desk back', async () => {
    const person = await at(atSession('a: a1 | b: b1*'));
    const { page } = person;
    const before = await person.frontName();
    await person.chord('Shift+Backspace');
    await page.getByRole('heading', { name: 'A passphrase to lock with' }).waitFor();
    await person.press('Escape');
    await page.route('**/lock', (route) => route.abort());
    await person.chord('Shift+Backspace');
    await page.getByRole('heading', { name: 'Not locked' }).waitFor();
    await person.press('Escape');
    await expect.poll(() => page.getByRole('dialog').count()).toBe(0);
    expect(await person.frontName()).toBe(before);
    expect(await page.evaluate(() => document.activeElement?.closest('section')?.ariaLabel)).toBe(before);
  });
});
