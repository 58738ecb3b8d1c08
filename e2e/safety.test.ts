/** What was acknowledged is never lost, and what was not is sent later. */
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { toDocument } from '../src/lib/core/formats/session-document';
import { idsOf } from '../src/lib/core/model/order';
import { testDatabase, type TestDatabase } from '../tests/database';
import { sessionOf } from '../testing/sessions';
import { createSession, openPage, storedSession, useBrowser } from './support/browser';
import { startServer, type RunningServer } from '../testing/server';

useBrowser();

let database: TestDatabase;
let server: RunningServer;

beforeAll(async () => {
  database = await testDatabase();
  server = await startServer(database.url);
});

afterAll(async () => {
  await server.kill();
  await database.drop();
});

const desk = () => createSession(toDocument(sessionOf('a: a1 | b: b1 | c: c1')), server.url);

describe('SIGKILL in the middle of fast switching', () => {
  it('loses nothing that the person saw either, even by a page that never reloads', async () => {
    const session = await desk();
    const person = await openPage(session, { url: server.url });
    for (let n = 0; n < 12; n += 1) {
      await person.chord(...(n % 3 === 2 ? ['S', 'S'] : ['S']));
      if (n === 6) await server.kill();
    }
    const front = await person.frontName();
    await person.page.getByText('Working offline').waitFor();
    server = await startServer(database.url, server.port);
    await person.sent();
    await person.page.getByText('Working offline').waitFor({ state: 'detached' });
    const stored = (await storedSession(session, server.url)).session;
    expect(`${stored.front} — ${stored.front?.[0]?.toUpperCase()}`).toBe(front);
    await person.page.context().close();
  });
});

describe('asked to end', () => {
  it('the server does so, though a page listens to it', async () => {
    const other = await startServer(database.url);
    const stream = await fetch(`${other.url}/api/sessions/${await desk()}/events`);
    expect(stream.status).toBe(200);
    expect(await other.terminate()).toBe(0);
  });
});

describe('unsent work', () => {
  it('survives a closed page and a server that is down, and is sent in order by the next page', async () => {
    const session = await desk();
    const person = await openPage(session, { url: server.url });
    await person.sent();
    await server.kill();
    await person.chord('S');
    await person.chord('S', 'S');
    const front = await person.frontName();
    const context = person.page.context();
    await person.page.close();
    server = await startServer(database.url, server.port);
    expect((await storedSession(session, server.url)).session.front).toBe('a1');

    const next = await openPage(session, { url: server.url, context });
    expect(await next.frontName()).toBe(front);
    await next.sent();
    expect(idsOf((await storedSession(session, server.url)).session.recent.windows)).toEqual([
      'c1',
      'b1',
      'a1',
    ]);
    await context.close();
  });

  it('that the server refuses is taken back, and said', async () => {
    const session = await desk();
    const one = await openPage(session, { url: server.url });
    await one.sent();
    await server.kill();
    await one.chord('S', 'C');
    await one.chord('S');
    const other = startServer(database.url);
    const elsewhere = await other;
    // Meanwhile someone else closed the window that this page wants to bring to the front.
    await fetch(`${elsewhere.url}/api/sessions/${session}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        id: randomUUID(),
        commands: [{ id: randomUUID(), at: new Date().toISOString(), type: 'close', window: 'b1' }],
      }),
    });
    await elsewhere.kill();
    server = await startServer(database.url, server.port);
    await one.sent();
    await one.page.getByText('The server did not accept').first().waitFor();
    expect(await one.window('b1 — B').count()).toBe(0);
    await one.page.context().close();
  });
});
