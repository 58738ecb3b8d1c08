/** Pages for tests, on the server that they share. */
import type { Browser, BrowserContext } from 'playwright-core';
import { afterAll, beforeAll, inject } from 'vitest';
import { toDocument, type SessionDocument } from '../../src/lib/core/formats/session-document';
import type { Session } from '../../src/lib/core/session/session';
import { ellavane } from '../../src/lib/demo/ellavane';
import * as server from '../../testing/browser';
import { sessionOf } from '../../testing/sessions';

export { PageUser as Person } from '../../testing/browser';
type Person = server.PageUser;

let browser: Browser;

/** Call once in a test file that opens pages. */
export function useBrowser(): void {
  beforeAll(async () => {
    browser = await server.launchChromium();
  });
  afterAll(async () => {
    await browser.close();
  });
}

/** A browser profile of its own: pages in it share storage, cookies and workers. */
export const newContext = (serviceWorkers: 'allow' | 'block' = 'block'): Promise<BrowserContext> =>
  // What a service worker does is looked at where it is meant; else each profile would fetch the whole application first.
  browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers });

/** Stores a new session and answers with its id. */
export const createSession = (document: SessionDocument, url = inject('baseUrl')): Promise<string> =>
  server.createSession(document, url);

/** What the server knows of a session. */
export const storedSession = (
  id: string,
  url = inject('baseUrl'),
): Promise<{ session: Session; seq: number }> => server.storedSession(id, url);

/** A page on a session; errors in its console are collected. */
export const openPage = async (
  session: string,
  {
    url = inject('baseUrl'),
    context,
    coached = false,
  }: { url?: string; context?: BrowserContext; coached?: boolean } = {},
): Promise<Person> => server.openPageIn(context ?? (await newContext()), session, url, { coached });

/** Someone at the harbour office of Ellavane. */
export const atEllavane = async (): Promise<Person> => openPage(await createSession(ellavane(new Date())));

/** Someone at a small desk (see `sessionOf`). */
export const atSession = async (line: string): Promise<Person> =>
  openPage(await createSession(toDocument(sessionOf(line))));
