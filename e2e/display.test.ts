/** Your own windows, from the key to the window: a display, real keys, the agent and the server as they ship. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it, onTestFinished } from 'vitest';
import { OWN_CLASS } from '../src/agent/x11/read-window';
import { titleOf } from '../src/lib/core/slices/windows/selectors';
import { CarriedDisplay } from '../testing/display/carried-display';
import { keysOf } from '../testing/display/keyboard';
import { XClient } from '../testing/display/x-client';

let desk: CarriedDisplay;
let clients: XClient[] = [];

const session = () => desk.session();
const recent = () => desk.recent();
const active = () => desk.active();
const chord = (...codes: string[]) => desk.chord(...codes);
const awaySince = async () => {
  const { host } = await session();
  return host.kind === 'live' ? host.awaySince : null;
};
/** How many windows of Key Fold's own there are. */
async function ownWindows(): Promise<number> {
  const { connection, manager } = desk.display;
  const classes = await Promise.all(manager.windows.map((window) => connection.text(window, 'WM_CLASS')));
  return classes.filter((one) => one?.includes(OWN_CLASS)).length;
}
async function open(line: string): Promise<void> {
  for (const part of line.split('|').toReversed()) {
    const [name = '', ids = ''] = part.trim().split(':');
    const client = await XClient.open(desk.display.name, name);
    clients.push(client);
    for (const title of ids.trim().split(/\s+/).toReversed()) {
      await client.show({ title });
      await expect.poll(active).toBe(title);
      await expect.poll(async () => (await recent()).split(' ')).toContain(title);
    }
  }
}
const clientOf = (name: string) => clients.find(({ className }) => className === name) as XClient;

beforeAll(async () => {
  desk = await CarriedDisplay.begin();
});
afterAll(async () => {
  for (const client of clients) client.close();
  await desk.close();
});
beforeEach(async () => {
  for (const client of clients) client.close();
  clients = [];
  await expect.poll(async () => (await session()).windows.length).toBe(0);
});

describe('the hold key in every program', () => {
  it('a tap goes back to what was used before, and again; nothing comes up', async () => {
    await open('charts: tide | radio: calls | log: berths');
    await chord('KeyS');
    await expect.poll(active).toBe('calls');
    await chord('KeyS');
    await expect.poll(active).toBe('tide');
    await expect.poll(recent).toBe('tide calls berths');
  });

  it('five taps as fast as a machine can press them are five', async () => {
    await open('charts: tide | radio: calls | log: berths');
    for (let n = 0; n < 5; n += 1) await chord('KeyS');
    await expect.poll(active).toBe('calls');
    await expect.poll(recent).toBe('calls tide berths');
    for (let n = 0; n < 4; n += 1) await chord('KeyS');
    await chord('KeyS', 'KeyS');
    await expect.poll(active).toBe('berths');
    await expect.poll(recent).toBe('berths calls tide');
  });

  it('what is typed behind a tap or a hold, however soon, is the window’s that it lands in', async () => {
    await open('charts: tide | radio: calls | log: berths');
    const { keyboard } = desk.display;
    const written = (name: string) => clientOf(name).pressed.filter((code) => code !== 'MetaLeft');
    await keyboard.burst('MetaLeft', 'KeyS', keysOf('to calls'));
    await expect.poll(() => written('radio')).toEqual(keysOf('to calls'));
    await keyboard.burst('MetaLeft', 'KeyS', keysOf('to tide'));
    await expect.poll(() => written('charts')).toEqual(keysOf('to tide'));
    await keyboard.down('MetaLeft');
    await keyboard.tap('KeyS', 'KeyS');
    await expect.poll(active).toBe('Key Fold');
    await Promise.all([keyboard.up('MetaLeft'), keyboard.type('to berths')]);
    await expect.poll(() => written('log')).toEqual(keysOf('to berths'));
    expect([written('charts'), written('radio')]).toEqual([keysOf('to tide'), keysOf('to calls')]);
  });

  it.each([
    { what: 'comes back to where it was', keys: ['KeyS', 'KeyS'] },
    { what: 'ends with Escape', keys: ['KeyS', 'Escape'] },
  ])('what is typed behind a hold that $what is still that window’s', async ({ keys }) => {
    await open('radio: calls | charts: tide');
    const { keyboard } = desk.display;
    for (let round = 1; round <= 5; round += 1) {
      clientOf('radio').pressed.length = 0;
      await keyboard.down('MetaLeft');
      await keyboard.tap('KeyS');
      await expect.poll(active).toBe('Key Fold');
      for (const key of keys.slice(1)) await keyboard.tap(key);
      await Promise.all([keyboard.up('MetaLeft'), keyboard.type('to calls')]);
      const pressed = () => clientOf('radio').pressed.filter((code) => code !== 'MetaLeft');
      await expect.poll(pressed, { message: `round ${round}` }).toEqual(keysOf('to calls'));
      await expect.poll(active).toBe('calls');
    }
  });

  it('held, Key Fold comes up over all others; letting go lands in what was chosen', async () => {
    await open('charts: tide | radio: calls | log: berths');
    await desk.display.keyboard.down('MetaLeft');
    await desk.display.keyboard.tap('KeyS', 'KeyS');
    await expect.poll(active).toBe('Key Fold');
    expect((await session()).windows.map(titleOf).sort()).toEqual(['berths', 'calls', 'tide']);
    await desk.display.keyboard.up('MetaLeft');
    await expect.poll(active).toBe('berths');
    await expect.poll(recent).toBe('berths tide calls');
    await chord('KeyS');
    await expect.poll(active).toBe('tide');
  });

  it('Escape leaves what was in front there', async () => {
    await open('charts: tide | radio: calls');
    await desk.display.keyboard.down('MetaLeft');
    await desk.display.keyboard.tap('KeyS');
    await expect.poll(active).toBe('Key Fold');
    await desk.display.keyboard.tap('Escape');
    await expect.poll(active).toBe('tide');
    await desk.display.keyboard.up('MetaLeft');
    expect(await recent()).toBe('tide calls');
  });

  it('what is chosen and dies before it is let go: the next one by recent use', async () => {
    await open('charts: tide | radio: calls | log: berths');
    await desk.display.keyboard.down('MetaLeft');
    await desk.display.keyboard.tap('KeyS');
    await expect.poll(active).toBe('Key Fold');
    clientOf('radio').close();
    await expect.poll(async () => (await session()).windows.length).toBe(2);
    await desk.display.keyboard.up('MetaLeft');
    await expect.poll(active).toBe('berths');
  });

  it('minimises, hides and quits while it is held', async () => {
    await open('charts: tide sounding | radio: calls | log: berths');
    await desk.display.keyboard.down('MetaLeft');
    await desk.display.keyboard.tap('KeyS', 'KeyX');
    await expect
      .poll(async () => (await session()).applications.find(({ id }) => id === 'radio')?.hidden)
      .toBe(true);
    await desk.display.keyboard.tap('KeyS', 'KeyV');
    await expect.poll(async () => (await session()).windows.length).toBe(3);
    await desk.display.keyboard.tap('Escape');
    await desk.display.keyboard.up('MetaLeft');
    await expect.poll(active).toBe('tide');
    await chord('KeyZ');
    await expect.poll(active).toBe('sounding');
    await expect
      .poll(async () => (await session()).windows.find((one) => titleOf(one) === 'tide')?.minimised)
      .toBe(true);
  });

  it('search is written into however soon, letter for letter, and Enter lands; again and again', async () => {
    await open('charts: tide | radio: calls | log: berths');
    for (const { at, title } of [
      { at: 'KeyB,KeyE,KeyR', title: 'berths' },
      { at: 'KeyC,KeyA,KeyL', title: 'calls' },
      { at: 'KeyT,KeyI,KeyD', title: 'tide' },
    ]) {
      // As fast as no hand is, and before anything of it can be seen.
      await desk.display.keyboard.burst('MetaLeft', 'KeyQ', [...at.split(','), 'Enter']);
      await expect.poll(active).toBe(title);
    }
    const letters = (await session()).learned.map((choice) => choice.letters);
    expect(letters).toEqual(expect.arrayContaining(['ber', 'cal', 'tid']));
  });

  it('what a dead key composes is written too', async () => {
    desk.display.keyboard.layout('de');
    onTestFinished(() => desk.display.keyboard.layout('us'));
    await open('charts: tide | radio: élan');
    await desk.display.keyboard.down('MetaLeft');
    await desk.display.keyboard.tap('KeyQ');
    await expect.poll(active).toBe('Key Fold');
    await desk.display.keyboard.up('MetaLeft');
    // Composing is the system's: it begins once the keyboard is the page's.
    await expect.poll(() => desk.display.keyboard.isFree()).toBe(true);
    // The key left of Backspace is the dead acute accent (xkb-data, symbols/de).
    await desk.display.keyboard.tap('Equal', 'KeyE', 'KeyL', 'Enter');
    await expect.poll(active).toBe('élan');
    await expect.poll(async () => (await session()).learned.map(({ letters }) => letters)).toContain('él');
  });

  it('works with Caps Lock and Num Lock on, and leaves other keys to the programs', async () => {
    await open('charts: tide | radio: calls');
    await desk.display.keyboard.tap('CapsLock', 'NumLock');
    await chord('KeyS');
    await desk.display.keyboard.tap('CapsLock', 'NumLock');
    await expect.poll(active).toBe('calls');
  });
});

describe('nothing is lost', () => {
  const ids = async () => (await session()).windows.map(({ id }) => id).sort();

  /** Three windows, of which the second was used last. */
  async function used(): Promise<string[]> {
    await open('charts: tide | radio: calls | log: berths');
    const [, calls = 0] = desk.display.manager.windows.toReversed();
    await desk.display.manager.activate(calls);
    await expect.poll(recent).toBe('calls tide berths');
    return ids();
  }

  /** The hold key is Key Fold's again, and works. */
  async function keysAgain(): Promise<void> {
    await desk.agent.says(/Meta with \d+ keys is Key Fold’s/);
    const [first = '', second = ''] = (await recent()).split(' ');
    await expect.poll(active).toBe(first);
    await chord('KeyS');
    await expect.poll(active).toBe(second);
  }

  it('when the server is killed', async () => {
    const before = await used();
    await desk.restartServer();
    await expect.poll(awaySince).toBeUndefined();
    expect(await ids()).toEqual(before);
    expect(await recent()).toBe('calls tide berths');
    await keysAgain();
  });

  it('when the agent is killed: the display is away meanwhile, and says since when', async () => {
    const before = await used();
    await desk.agent.crash();
    await expect.poll(awaySince).toMatch(/^\d{4}-/);
    expect(await ids()).toEqual(before);
    // The browser that it had goes with it: another one's would come up in that again and again.
    await expect.poll(ownWindows).toBe(0);
    await desk.startAgent();
    await expect.poll(ownWindows).toBe(1);
    expect(await awaySince()).toBeUndefined();
    expect(await ids()).toEqual(before);
    expect(await recent()).toBe('calls tide berths');
    await chord('KeyS');
    await expect.poll(active).toBe('tide');
  });

  it('when the window manager is killed, and another one takes over', async () => {
    const before = await used();
    desk.display.manager.close();
    await desk.agent.says(/No window manager runs/);
    await expect.poll(awaySince).toMatch(/^\d{4}-/);
    await desk.display.restartManager();
    await expect.poll(awaySince).toBeUndefined();
    expect(await ids()).toEqual(before);
    await keysAgain();
  });
});

describe('a display can do harm', () => {
  it('so its session needs the key, here too, in every way that leads to it', async () => {
    for (const path of [
      '/api/sessions/display',
      '/api/sessions/%64isplay',
      '/api/sessions/display/document',
      '/api/events?after=display:0',
      '/sessions/display/__data.json',
    ]) {
      expect((await fetch(desk.server.url + path, { redirect: 'manual' })).status, path).not.toBe(200);
      const controller = new AbortController();
      const answer = await fetch(desk.server.url + path, {
        headers: { cookie: `key-fold-access=${desk.secret('access-key')}` },
        signal: controller.signal,
      });
      expect(answer.status, path).toBe(200);
      controller.abort();
    }
    expect((await fetch(`${desk.server.url}/api/sessions/ellavane`)).status).toBe(200);
  });

  it('and what it is proved with is readable by its owner alone', () => {
    for (const name of ['agent-token', 'access-key'])
      expect(statSync(join(desk.secrets, name)).mode & 0o777).toBe(0o600);
    expect(desk.server.said()).not.toContain(desk.secret('agent-token'));
    // What a program is started with, everybody can see.
    const lines = readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .flatMap((pid) => {
        try {
          return [readFileSync(`/proc/${pid}/cmdline`, 'utf8')];
        } catch {
          return [];
        }
      });
    expect(lines.some((line) => line.includes('--class=key-fold'))).toBe(true);
    expect(lines.filter((line) => line.includes(desk.secret('access-key')))).toEqual([]);
  });
});

it('the agent ends with its display', async () => {
  desk.display.kill();
  expect(await desk.agent.ended()).toBe(0);
  await expect.poll(awaySince).toMatch(/^\d{4}-/);
});
