/** Many pages of one browser, and what they do when the server fails them. */
import { find } from '../src/lib/core/model/table';
import { describe, expect, it } from 'vitest';
import { ellavane } from '../src/lib/demo/ellavane';
import { toDocument } from '../src/lib/core/formats/session-document';
import { sessionOf, withApplication } from '../testing/sessions';
import { at } from './support/at';
import { atSession, createSession, newContext, openPage, storedSession, useBrowser } from './support/browser';

useBrowser();

describe('twenty pages of one browser', () => {
  it('all load, all send, and all hear of each other', async () => {
    const session = await createSession(toDocument(sessionOf('a: a1 | b: b1 | c: c1')));
    const other = await createSession(toDocument(sessionOf('x: x1 | y: y1')));
    const context = await newContext();
    const pages = [];
    for (let n = 0; n < 20; n += 1) pages.push(await openPage(n % 4 === 3 ? other : session, { context }));
    const [first, ...rest] = pages;
    await first?.chord('S', 'S');
    await first?.sent();
    for (const person of rest.filter((each) => each.session === session))
      await person.window('c1 — C').and(person.front).waitFor();
    for (const person of rest.filter((each) => each.session === other))
      expect(await person.frontName()).toBe('x1 — X');
    await pages.at(-1)?.chord('S');
    await pages.at(-1)?.sent();
    await pages[3]?.window('y1 — Y').and(pages[3].front).waitFor();
    for (const person of pages) expect(person.errors).toEqual([]);
    await context.close();
  });

  it('hear on when one that was among the first is closed', async () => {
    const session = await createSession(toDocument(sessionOf('a: a1 | b: b1')));
    const context = await newContext();
    const first = await openPage(session, { context });
    const second = await openPage(session, { context });
    const third = await openPage(session, { context });
    await first.page.close();
    await second.chord('S');
    await third.window('b1 — B').and(third.front).waitFor();
    await context.close();
  });
});

describe('a window that another page closes while somebody writes in it', () => {
  it('keeps what was written, and its page goes on hearing of everything', async () => {
    const session = await createSession(ellavane(new Date()));
    const context = await newContext();
    const writer = await openPage(session, { context });
    const other = await openPage(session, { context });
    await writer.chord('S');
    await other.window('Timber Quay — Berths').and(other.front).waitFor();
    // No timer keeps it before.
    await writer.page.clock.install();
    await writer.page.clock.pauseAt(Date.now() + 60_000);
    await writer.page.keyboard.type('Fog');
    await writer.press('Enter');
    await other.chord('C');
    // What was written is kept as its window goes, on what has been heard by then.
    await writer.window('Timber Quay — Berths').waitFor({ state: 'detached' });
    await other.chord('S');
    await other.sent();
    const front = await other.frontName();
    await expect.poll(() => writer.frontName()).toBe(front);
    await writer.page.clock.resume();
    await writer.sent();
    const { session: stored } = await storedSession(session);
    expect(stored.drafts.map(({ text }) => text)).toContainEqual(expect.stringContaining('Fog'));
    expect(writer.errors).toEqual([]);
    await context.close();
  });
});

describe.each(['through the shared person', 'alone'])('a page that listens %s', (how) => {
  it('hears of others, not while it is kept for the way back, and then of all at once', async () => {
    const session = await createSession(toDocument(sessionOf('a: a1 | b: b1')));
    const context = await newContext();
    if (how === 'alone') await context.addInitScript(() => Reflect.deleteProperty(window, 'SharedWorker'));
    const one = await openPage(session, { context });
    const two = await openPage(session, { context });
    const three = await openPage(session, { context });
    await one.chord('S');
    await two.window('b1 — B').and(two.front).waitFor();
    // What the browser tells a page that it keeps, and one that it shows again.
    const kept = (type: string) =>
      two.page.evaluate(
        (name) => void window.dispatchEvent(new PageTransitionEvent(name, { persisted: true })),
        type,
      );
    await kept('pagehide');
    await one.chord('S');
    await three.window('a1 — A').and(three.front).waitFor();
    expect(await two.frontName()).toBe('b1 — B');
    await kept('pageshow');
    await two.window('a1 — A').and(two.front).waitFor();
    await context.close();
  });
});

describe('a connection on which nobody answers', () => {
  it('is said after a while, and given up for another one', async () => {
    const person = await at(atSession('a: a1 | b: b1'));
    let tries = 0;
    await person.page.route('**/commands', async (route) => {
      tries += 1;
      if (tries > 1) await route.fallback();
    });
    await person.chord('S');
    await person.page.locator('footer').getByText('1 change is not stored yet').waitFor();
    await person.sent();
    expect(tries).toBe(2);
    await person.page.locator('footer').getByText('not stored').waitFor({ state: 'detached' });
    expect((await storedSession(person.session)).session.front).toBe('b1');
  });
});

describe('a batch on which the server always fails', () => {
  it('is set aside after some tries, said, exportable and sent again on demand; the ones behind it get on', async () => {
    const person = await at(atSession('a: a1 | b: b1 | c: c1'));
    const tries: string[] = [];
    await person.page.route('**/commands', async (route) => {
      const body = route.request().postData() ?? '';
      if (!body.includes('"minimise"')) return route.fallback();
      tries.push(body);
      return route.fulfill({ status: 500, contentType: 'application/problem+json', body: '{}' });
    });
    await person.chord('Z');
    await person.chord('S');
    await person.page.getByText('1 change was not stored').waitFor();
    expect(tries).toHaveLength(5);
    expect(new Set(tries).size).toBe(1);
    await person.sent();
    // What it did is taken back; what was done since stays.
    expect(find((await storedSession(person.session)).session.windows, 'a1')?.minimised).toBe(false);
    await person.reload();
    const badge = person.page.getByRole('button', { name: '1 change was not stored' });
    await badge.waitFor();

    await badge.click();
    const settings = person.page.getByRole('dialog', { name: 'Settings' });
    const saved = person.page.waitForEvent('download');
    await settings.getByRole('heading', { name: 'Changes that could not be stored' }).waitFor();
    await settings.getByRole('button', { name: 'Export', exact: true }).last().click();
    expect((await saved).suggestedFilename()).toContain('not-stored');

    await person.page.unroute('**/commands');
    await settings.getByRole('button', { name: 'Send again' }).click();
    await person.sent();
    await expect
      .poll(async () => find((await storedSession(person.session)).session.windows, 'a1')?.minimised)
      .toBe(true);
    await person.press('Escape');
    await badge.waitFor({ state: 'detached' });
  });

  it.each([
    '{',
    'null',
    '{"id":"x","commands":[{}]}',
    '{"id":"x","commands":[{"id":"c","at":"t","type":"minimise"}]}',
  ])('a damaged entry in the browser’s storage keeps no page from opening: %s', async (entry) => {
    const session = await createSession(toDocument(sessionOf('a: a1 | b: b1')));
    const context = await newContext();
    await context.addInitScript(
      ([key, text]) => localStorage.setItem(key as string, text as string),
      [`key-fold/outbox/${session}/000000000000001-000001-x`, entry],
    );
    const person = await openPage(session, { context });
    await person.chord('S');
    await person.page.getByText('1 change was not stored').waitFor();
    expect(await person.frontName()).toBe('b1 — B');
    await person.sent();
    await context.close();
  });
});

describe('a session that an earlier version left with Control as its hold key', () => {
  it('falls back to Alt and says so; copy and paste stay the browser’s', async () => {
    const desk = sessionOf('a: a1 | b: b1');
    const session = { ...desk, settings: { ...desk.settings, holdKey: 'Control' as const } };
    const person = await at(openPage(await createSession(toDocument(session))));
    await person.page.getByRole('contentinfo').getByText('The hold key is Alt now').waitFor();
    await person.press('Control+a', 'Control+c', 'Control+v');
    expect(await person.frontName()).toBe('a1 — A');
    await person.chord('S');
    expect(await person.frontName()).toBe('b1 — B');
    await person.sent();
    expect((await storedSession(person.session)).session.settings.holdKey).toBe('Alt');
  });
});

describe('a desk that is deleted', () => {
  it('is deleted by its settings; other pages on it are told', async () => {
    const session = await createSession(toDocument(withApplication(sessionOf('a: a1 | b: b1'), 'a', {})));
    const context = await newContext();
    const other = await openPage(session, { context });
    const person = await openPage(session, { context });
    await person.chord('Q');
    await person.page.keyboard.type('settings');
    await person.press('Enter');
    const settings = person.page.getByRole('dialog', { name: 'Settings' });
    await settings.getByRole('button', { name: 'Delete …' }).press('Enter');
    await settings.getByRole('button', { name: 'Delete it for good' }).press('Enter');
    await person.page.waitForURL('**/sessions/ellavane');
    await other.page.getByRole('contentinfo').getByText('This desk was deleted').waitFor();
    await context.close();
  });
});
