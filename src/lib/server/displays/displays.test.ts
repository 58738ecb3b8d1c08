/** Agents and panels as they connect: a real server, a real database, sockets of the package. */
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import WebSocket from 'ws';
import { useDatabase } from '../../../../tests/use-database';
import type { AgentMessage, ServerMessage } from '../../core/display/told';
import { EventStore } from '../store/event-store';
import { Displays, AGENT_ROUTE, PANEL_ROUTE } from './displays';
import { DisplayTokens } from './display-tokens';

const database = useDatabase();
const hello = {
  type: 'hello',
  v: 1,
  name: 'Quay',
  abilities: ['minimise', 'bring-to-front', 'close'],
  screen: { width: 1600, height: 1000 },
} as const;

let displays: Displays;
let store: EventStore;
let http: Server;
let token: string;
let session: string;
let names = 0;

beforeEach(async () => {
  store = new EventStore(database.db);
  const tokens = new DisplayTokens(database.db);
  session = `display-${(names += 1)}`;
  token = await tokens.renew(session);
  displays = new Displays(
    store,
    tokens,
    (headers) => headers.get('origin') === 'http://here',
    async (cookies) => cookies === 'key',
  );
  await displays.open();
  http = createServer().on('upgrade', displays.upgrade).listen(0, '127.0.0.1');
  await once(http, 'listening');
});
afterEach(async () => {
  displays.close();
  http.close();
  await new DisplayTokens(database.db).revoke(session);
});

/** One that has connected: what it heard, in its order. */
class Peer {
  readonly heard: ServerMessage[] = [];
  readonly closed: Promise<number>;

  constructor(readonly socket: WebSocket) {
    socket.on('message', (data) => this.heard.push(JSON.parse((data as Buffer).toString()) as ServerMessage));
    this.closed = once(socket, 'close').then(([code]) => code as number);
  }

  say(message: object): this {
    this.socket.send(JSON.stringify(message));
    return this;
  }

  async hears(type: ServerMessage['type'] | AgentMessage['type']): Promise<ServerMessage> {
    let found: ServerMessage | undefined;
    await expect
      .poll(() => (found = this.heard.find((one) => (one as { type: string }).type === type)))
      .toBeDefined();
    return found as ServerMessage;
  }
}

const urlOf = (route: string) => `ws://127.0.0.1:${(http.address() as AddressInfo).port}${route}`;
const socket = (route: string, headers: Record<string, string>) => new WebSocket(urlOf(route), { headers });

async function agent(given = token): Promise<Peer> {
  const peer = new Peer(socket(AGENT_ROUTE, { authorization: `Bearer ${given}` }));
  await once(peer.socket, 'open');
  return peer;
}
async function panel(): Promise<Peer> {
  const peer = new Peer(
    socket(`${PANEL_ROUTE}?session=${session}`, { origin: 'http://here', cookie: 'key' }),
  );
  await once(peer.socket, 'open');
  return peer;
}
async function refused(route: string, headers: Record<string, string>): Promise<number> {
  const peer = socket(route, headers);
  const [, response] = (await once(peer, 'unexpected-response')) as [unknown, { statusCode: number }];
  peer.on('error', () => undefined).terminate();
  return response.statusCode;
}
const host = async () => (await store.load(session))?.session.host;

describe('who is let in', () => {
  it.each([
    ['an agent without a token', AGENT_ROUTE, {}, 401],
    ['an agent with a wrong one', AGENT_ROUTE, { authorization: 'Bearer wrong' }, 401],
    [
      'a page that says it is an agent',
      AGENT_ROUTE,
      { authorization: 'Bearer x', origin: 'http://here' },
      403,
    ],
    ['a panel from elsewhere', PANEL_ROUTE, { origin: 'http://there', cookie: 'key' }, 403],
    ['a panel that is no page', PANEL_ROUTE, { cookie: 'key' }, 403],
    ['a panel without the key', PANEL_ROUTE, { origin: 'http://here' }, 401],
    ['a panel of no display', PANEL_ROUTE, { origin: 'http://here', cookie: 'key' }, 404],
    ['anything else', '/api/else', {}, 404],
  ])('%s is not', async (_, route, headers, status) => {
    expect(await refused(route, headers as Record<string, string>)).toBe(status);
  });

  it('an agent is, until its token is revoked; then it is told so', async () => {
    const one = await agent();
    one.say(hello);
    await one.hears('welcome');
    await displays.tokens.revoke(session);
    await displays.refresh();
    expect(await one.closed).toBe(4002);
    expect(await refused(AGENT_ROUTE, { authorization: `Bearer ${token}` })).toBe(401);
    token = await displays.tokens.renew(session);
  });

  it('a new token revokes the one before, and the session goes on', async () => {
    const [first] = [token];
    token = await displays.tokens.renew(session);
    expect(await refused(AGENT_ROUTE, { authorization: `Bearer ${first}` })).toBe(401);
    expect(await displays.tokens.sessionOf(token)).toBe(session);
  });
});

describe('an agent', () => {
  it('makes its session when it first says what it is', async () => {
    expect(await store.last(session)).toBeNull();
    const one = (await agent()).say(hello);
    expect(await one.hears('welcome')).toMatchObject({ session, page: `/sessions/${session}` });
    await expect
      .poll(host)
      .toEqual({ kind: 'live', name: 'Quay', abilities: hello.abilities, screen: hello.screen });
    expect(displays.has(session)).toBe(true);
    one.socket.terminate();
    await expect.poll(host).toHaveProperty('awaySince');
  });

  it('must say hello first, and what makes sense; what makes none changes nothing', async () => {
    const one = (await agent()).say({ type: 'told', cause: null });
    expect(await one.hears('misunderstood')).toMatchObject({ detail: 'The first message must be a hello.' });
    one.heard.length = 0;
    one.say(hello);
    await one.hears('welcome');
    const before = await store.last(session);
    one.socket.send('no JSON');
    expect(await one.hears('misunderstood')).toMatchObject({
      detail: expect.stringContaining('type must be one of'),
    });
    one.heard.length = 0;
    one.say({ type: 'told', cause: null, windows: [{ id: 'UPPER' }] });
    expect(await one.hears('misunderstood')).toMatchObject({ detail: expect.stringContaining('id') });
    expect(await store.last(session)).toBe(before);
  });

  it('of another version is told so', async () => {
    expect(await (await agent()).say({ ...hello, v: 99 }).closed).toBe(4003);
  });

  it('gives way to another one with the same token, which is told everything from then on', async () => {
    const first = (await agent()).say(hello);
    await first.hears('welcome');
    const second = (await agent()).say(hello);
    await second.hears('welcome');
    expect(await first.closed).toBe(4001);
    await expect.poll(host).not.toHaveProperty('awaySince');
  });

  it('connects anew after its session was removed, and has a new one', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    await store.remove(session);
    await one.closed;
    const again = (await agent()).say(hello);
    await again.hears('welcome');
    await expect.poll(host).not.toHaveProperty('awaySince');
  });

  it('is away on a server that has just started, whatever the last one knew', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    await expect.poll(host).not.toHaveProperty('awaySince');
    // As if that server had been killed: nobody has told that the agent is gone.
    const other = new EventStore(database.db);
    const restarted = new Displays(
      other,
      displays.tokens,
      () => true,
      async () => true,
    );
    await restarted.open();
    await expect.poll(async () => (await other.load(session))?.session.host).toHaveProperty('awaySince');
    restarted.close();
  });
});

describe('a panel and its agent', () => {
  const hold = { type: 'hold', holdKey: 'Meta', positions: ['KeyS'] } as const;

  it('hear each other, whoever was there first', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    const page = (await panel()).say(hold);
    expect(await one.hears('hold')).toEqual(hold);
    const key = { ...PLAIN, type: 'key' };
    one.say(key);
    expect(await page.hears('key')).toEqual(key);
    const two = (await agent()).say(hello);
    expect(await two.hears('hold')).toEqual(hold);
  });

  it('the agent hears that no page is there any more; a page that makes no sense is shown out', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    const page = (await panel()).say({ type: 'hold', holdKey: 'Shift', positions: [] });
    expect(await page.closed).toBe(4003);
    await one.hears('no-panel');
    const first = await panel();
    const second = await panel();
    expect(await first.closed).toBe(4001);
    second.say(hold);
    await one.hears('hold');
  });
});

const PLAIN = {
  front: null,
  key: {
    phase: 'down',
    code: 'KeyS',
    key: 's',
    alt: false,
    control: false,
    meta: true,
    shift: false,
    altGraph: false,
    repeat: false,
    composing: false,
  },
} as const;
