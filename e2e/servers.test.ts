/** Two servers on one database, a page at each: both are at the same desk, and one outlives the other. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { toDocument } from '../src/lib/core/formats/session-document';
import { sessionOf } from '../testing/sessions';
import { createSession, newContext, openPage, useBrowser } from './support/browser';
import { startServer, type RunningServer } from '../testing/server';

useBrowser();

let cluster: Awaited<ReturnType<typeof throwawayCluster>>;
let servers: RunningServer[];

beforeAll(async () => {
  cluster = await throwawayCluster();
  servers = [await startServer(cluster.url), await startServer(cluster.url)];
});

afterAll(async () => {
  for (const server of servers) await server.kill();
  await cluster.stop();
});

describe('two servers', () => {
  it('show each other’s switches at once; when one is killed its page goes on where it comes back', async () => {
    const [here, there] = servers as [RunningServer, RunningServer];
    const session = await createSession(toDocument(sessionOf('a: a1 | b: b1 | c: c1')), here.url);
    const open = async ({ url }: RunningServer) => openPage(session, { url, context: await newContext() });
    const [one, other] = [await open(here), await open(there)];
    await one.chord('S');
    await expect.poll(() => other.frontName()).toBe('b1 — B');
    await other.chord('S', 'S');
    await expect.poll(() => one.frontName()).toBe('c1 — C');

    await here.kill();
    await one.chord('S');
    expect(await one.frontName()).toBe('b1 — B');
    await other.chord('Z');
    servers[0] = await startServer(cluster.url, here.port);
    await one.sent();
    await other.sent();
    const front = () => Promise.all([one.frontName(), other.frontName()]);
    await expect.poll(async () => new Set(await front()).size).toBe(1);
    expect([one.errors, other.errors]).toEqual([[], []]);
  });
});
