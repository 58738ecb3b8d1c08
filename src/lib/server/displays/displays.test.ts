/** Agents and panels as they connect: a real server, a real database, sockets of the package. */
import { randomUUID as uuid } from 'node:crypto';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import WebSocket from 'ws';
import { HELD_S, toldWindow } from '../../../../testing/told';
import { useDatabase } from '../../../../tests/use-database';
import { BATCH_VERSION } from '../../core/commands/commands';
import type { Look } from '../../core/display/pictures';
import type { Measure } from '../../core/display/processes';
import type { AgentMessage, ServerMessage } from '../../core/display/told';
import type { Pictures, Settings } from '../../core/slices/settings/state';
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

describe('what programs use', () => {
  const programs = [
    { application: 'charts', since: '2026-11-24T06:12:00.000Z', processor: 0.25, memory: 1e8 },
  ];

  it('is asked of the agent, and told to whoever asked', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    const asked = displays.processes(session);
    const { id } = (await one.hears('measure')) as Measure;
    one.say({ type: 'measured', id: 'another', programs: [] }).say({ type: 'measured', id, programs });
    expect(await asked).toEqual(programs);
  });

  it('is nothing where nobody knows, or nobody answers', async () => {
    expect(await displays.processes('ellavane')).toEqual([]);
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    expect(await displays.processes(session)).toEqual([]);
    const asked = displays.processes(session);
    one.say({ type: 'measured', id: 'x', programs: [{ ...programs[0], memory: -1 }] });
    expect(await one.hears('misunderstood')).toMatchObject({ detail: expect.stringContaining('memory') });
    expect(await asked).toEqual([]);
  });
});

describe('pictures', () => {
  /** Two windows of two programs. */
  const told = {
    type: 'told',
    cause: null,
    workspaces: [{ id: 'ws-1', name: 'Desk' }],
    workspace: 'ws-1',
    applications: [
      { id: 'charts', name: 'Charts' },
      { id: 'keys', name: 'Keys' },
    ],
    windows: [toldWindow('tide', { application: 'charts' }), toldWindow('safe', { application: 'keys' })],
    whole: true,
    stacking: ['safe', 'tide'],
    front: 'tide',
  };
  const looked = [
    { window: 'tide', width: 160, seen: null },
    { window: 'safe', width: 160, seen: null },
  ];
  const png = Buffer.from('a picture').toString('base64');

  /** An agent with these windows that shows all that it is asked for, and more. */
  async function showing(): Promise<Peer> {
    const one = (await agent()).say(hello).say(told);
    one.socket.on('message', (data) => {
      const message = JSON.parse((data as Buffer).toString()) as ServerMessage;
      if (message.type !== 'look') return;
      const pictures = ['tide', 'safe'].map((id) => ({ window: id, version: 'v1', png }));
      one.say({ type: 'seen', id: message.id, pictures });
    });
    await expect.poll(async () => (await store.load(session))?.session.windows.length).toBe(2);
    return one;
  }
  async function set(pictures: Pictures): Promise<void> {
    const stored = await store.load(session);
    const settings = { ...(stored?.session.settings as Settings), pictures };
    const at = new Date().toISOString();
    await store.append(session, {
      v: BATCH_VERSION,
      id: uuid(),
      commands: [{ type: 'change-settings', settings, id: uuid(), at }],
    });
  }

  it('go from the agent to whoever asks', async () => {
    await showing();
    expect(await displays.pictures(session, looked)).toEqual([
      { window: 'tide', version: 'v1', png },
      { window: 'safe', version: 'v1', png },
    ]);
  });

  it('are asked of no program that is left out, and not passed on', async () => {
    const one = await showing();
    await set({ shown: true, except: ['keys'] });
    expect(await displays.pictures(session, looked)).toEqual([{ window: 'tide', version: 'v1', png }]);
    const look = (await one.hears('look')) as Look;
    expect(look.windows).toEqual([looked[0]]);
    await set({ shown: false, except: [] });
    expect(await displays.pictures(session, looked)).toEqual([]);
  });

  it('what may be pictured is said to the agent before all else, and again when it changes', async () => {
    const one = await showing();
    const said = () => one.heard.filter(({ type }) => type === 'pictures');
    expect(said()).toEqual([{ type: 'pictures', allowed: true, except: [] }]);
    await set({ shown: true, except: ['keys'] });
    await expect.poll(said).toHaveLength(2);
    const two = (await agent()).say(hello);
    expect(await two.hears('pictures')).toEqual({ type: 'pictures', allowed: true, except: ['keys'] });
  });

  it('of the screen or a window are asked for once, and none of what may not be pictured', async () => {
    const one = await showing();
    one.socket.on('message', (data) => {
      const message = JSON.parse((data as Buffer).toString()) as ServerMessage;
      if (message.type !== 'shoot') return;
      one.say({ type: 'shot', id: 'another', png: null });
      one.say({ type: 'shot', id: message.id, png: message.window === 'gone' ? null : png });
    });
    const shots = (...windows: readonly (string | null)[]) =>
      Promise.all(windows.map(async (window) => (await displays.shot(session, window))?.toString() ?? null));
    const asked = () => one.heard.flatMap((message) => (message.type === 'shoot' ? [message.window] : []));
    expect(await shots(null, 'tide', 'safe', 'gone')).toEqual(['a picture', 'a picture', 'a picture', null]);
    await set({ shown: true, except: ['keys'] });
    expect(await shots(null, 'tide', 'safe')).toEqual(['a picture', 'a picture', null]);
    await set({ shown: false, except: [] });
    expect(await shots(null, 'tide')).toEqual([null, null]);
    expect(asked().filter((window) => window === 'safe')).toHaveLength(1);
    expect(asked().filter((window) => window === null)).toHaveLength(2);
    expect(await displays.shot('ellavane', null)).toBeNull();
  });

  it('are none where there is no such display, none with an agent, or one that does not answer', async () => {
    expect(await displays.pictures('ellavane', looked)).toEqual([]);
    const one = (await agent()).say(hello).say(told);
    await expect.poll(async () => (await store.load(session))?.session.windows.length).toBe(2);
    expect(await displays.pictures(session, looked)).toEqual([]);
    one.socket.terminate();
    await expect.poll(host).toHaveProperty('awaySince');
    expect(await displays.pictures(session, looked)).toEqual([]);
  });

  it('are refused where they are none', async () => {
    const one = await showing();
    one.say({ type: 'seen', id: 'x', pictures: [{ window: 'tide', version: 'v1', png: '<svg>' }] });
    expect(await one.hears('misunderstood')).toMatchObject({ detail: expect.stringContaining('png') });
  });
});

describe('a panel and its agent', () => {
  const hold = { type: 'hold', holdKey: 'Meta', positions: ['KeyS'], writing: [] } as const;

  it('hear each other, whoever was there first', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    const page = (await panel()).say(hold);
    expect(await one.hears('hold')).toEqual(hold);
    const key = { type: 'key', key: HELD_S, front: null };
    one.say(key);
    expect(await page.hears('key')).toEqual(key);
    const two = (await agent()).say(hello);
    expect(await two.hears('hold')).toEqual(hold);
  });

  it('hear each other no more once the session is locked, and again when it is open', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    const page = (await panel()).say(hold);
    await one.hears('hold');
    await store.locks.lock(session, 'bell tide timber');
    expect(await page.closed).toBe(1013);
    await one.hears('no-panel');
    const asking = { origin: 'http://here', cookie: 'key' };
    expect(await refused(`${PANEL_ROUTE}?session=${session}`, asking)).toBe(423);
    await store.locks.unlock(session, 'bell tide timber');
    const two = await panel();
    expect(two.socket.readyState).toBe(two.socket.OPEN);
  });

  it('the agent hears that no page is there any more; a page that makes no sense is shown out', async () => {
    const one = (await agent()).say(hello);
    await one.hears('welcome');
    const page = (await panel()).say({ type: 'hold', holdKey: 'Shift', positions: [], writing: [] });
    expect(await page.closed).toBe(4003);
    await one.hears('no-panel');
    const first = await panel();
    const second = await panel();
    expect(await first.closed).toBe(4001);
    second.say(hold);
    await one.hears('hold');
  });
});
