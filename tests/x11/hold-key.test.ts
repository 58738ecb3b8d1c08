/** The hold key as the agent takes it: real keys, made by the X server (XTEST), and other programs that want them too. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { setTimeout as pause } from 'node:timers/promises';
import { afterAll, beforeAll, beforeEach, describe, expect, it, onTestFinished } from 'vitest';
import { HoldKeyGrab } from '../../src/agent/x11/hold-key';
import { XConnection } from '../../src/agent/x11/x-connection';
import { endsHold } from '../../src/lib/core/display/holding';
import type { ArrivedKey } from '../../src/lib/core/keys/key-input';
import { Display } from '../../testing/display/display';
import { KEYCODES, keysOf, positionOf } from '../../testing/display/keyboard';

let display: Display;
beforeAll(async () => {
  display = await Display.open();
});
afterAll(() => display.close());

const WRITTEN = [...keysOf('tide at six'), 'Enter'];
const POSITIONS = ['KeyS', 'KeyW', 'KeyX'];
let heard: ArrivedKey[] = [];
let taken: readonly string[] | null = null;
let grab: HoldKeyGrab;
/** Whether nothing is waited for at the end of a hold. */
let landing: boolean;
const line = () =>
  heard.map(({ phase, code, shift }) => `${shift ? 'Shift+' : ''}${code} ${phase}`).join(', ');
const ends = () => heard.filter(({ code, phase }) => code === 'MetaLeft' && phase === 'up').length;

beforeEach(async () => {
  heard = [];
  landing = true;
  const connection = await XConnection.open(display.name);
  grab = new HoldKeyGrab(connection, {
    key: (key) => {
      heard.push(key);
      if (landing && endsHold(key)) grab.land();
    },
    grabbed: (positions) => (taken = positions),
  });
  onTestFinished(async () => {
    await display.keyboard.rest();
    grab.stop();
    connection.close();
    await connection.gone;
  });
});
const want = (writing: readonly string[] = []) =>
  grab.want({ type: 'hold', holdKey: 'Meta', positions: POSITIONS, writing });

/** What a program with the keyboard hears meanwhile. */
async function program(): Promise<string[]> {
  const connection = await XConnection.open(display.name);
  onTestFinished(() => connection.close());
  const { client, root } = connection;
  const window = client.AllocID();
  client.CreateWindow(window, root, 0, 0, 100, 100, 0, 0, 1, 0, { eventMask: 1, overrideRedirect: true });
  client.MapWindow(window);
  client.SetInputFocus(window, 1);
  const codes: string[] = [];
  connection.onEvent(({ name, keycode }) => {
    // The hold key by itself belongs to all.
    if (name === 'KeyPress' && positionOf(keycode) !== 'MetaLeft') codes.push(positionOf(keycode));
  });
  await client.sync();
  return codes;
}

describe('while the hold key is down', () => {
  it('every key comes here, also when two were pressed at once, and the end comes once', async () => {
    await want();
    const others = await program();
    for (let round = 1; round <= 30; round += 1) {
      heard = [];
      await display.keyboard.down('MetaLeft');
      await display.keyboard.tap('KeyS', 'KeyX');
      await expect.poll(() => heard.length).toBe(4);
      // Not wanted by itself: it comes because the whole keyboard is ours until the hold key is up.
      await display.keyboard.tap('Escape');
      await expect.poll(() => heard.length, { message: `round ${round}` }).toBe(6);
      await display.keyboard.up('MetaLeft');
      await expect.poll(ends).toBe(1);
      expect(line()).toBe('KeyS down, KeyS up, KeyX down, KeyX up, Escape down, Escape up, MetaLeft up');
    }
    expect(others).toEqual([]);
  });

  it('a tap that is over at once is a whole hold', async () => {
    await want();
    for (let round = 1; round <= 30; round += 1) {
      heard = [];
      await display.keyboard.chord('MetaLeft', 'KeyS');
      await expect.poll(ends, { message: `round ${round}` }).toBe(1);
      expect(line()).toBe('KeyS down, KeyS up, MetaLeft up');
    }
  });

  it('taps that follow each other at once are as many holds', async () => {
    await want();
    for (let n = 0; n < 5; n += 1) await display.keyboard.chord('MetaLeft', 'KeyS');
    await expect.poll(ends).toBe(5);
    expect(heard.filter(({ code, phase }) => code === 'KeyS' && phase === 'down')).toHaveLength(5);
  });

  it('what is pressed as it ends, however soon, belongs to the program, all of it and in order', async () => {
    await want();
    const others = await program();
    for (let round = 1; round <= 30; round += 1) {
      heard = [];
      others.length = 0;
      await display.keyboard.burst('MetaLeft', 'KeyS', WRITTEN);
      await expect.poll(() => others.at(-1), { message: `round ${round}` }).toBe('Enter');
      expect(others).toEqual(WRITTEN);
      expect(line()).toBe('KeyS down, KeyS up, MetaLeft up');
    }
  });

  it('what is pressed as it ends is kept back for the window that comes forward', async () => {
    landing = false;
    await want();
    const before = await program();
    await display.keyboard.burst('MetaLeft', 'KeyS', WRITTEN);
    await expect.poll(ends).toBe(1);
    const chosen = await program();
    // Its own window goes meanwhile.
    grab.keepNoMore();
    await grab.isDown();
    expect([...before, ...chosen]).toEqual([]);
    grab.land();
    await expect.poll(() => chosen).toEqual(WRITTEN);
    expect(before).toEqual([]);
  });

  it('what is pressed as it ends is not kept back for long', async () => {
    landing = false;
    await want();
    const others = await program();
    await display.keyboard.burst('MetaLeft', 'KeyS', WRITTEN);
    await expect.poll(() => others).toEqual(WRITTEN);
    await display.keyboard.chord('MetaLeft', 'KeyS');
    await expect.poll(ends).toBe(2);
  });

  it('what is pressed as it ends comes here if a window of ours is to have it', async () => {
    landing = false;
    await want();
    const others = await program();
    await display.keyboard.burst('MetaLeft', 'KeyS', WRITTEN);
    await expect.poll(ends).toBe(1);
    grab.keep();
    await expect.poll(line).toMatch(/MetaLeft up, KeyT down, .*, Enter up$/);
    expect(others).toEqual([]);
  });

  it('what is pressed after a key of text, however soon, comes here, all of it and in order', async () => {
    await want(['KeyX']);
    const others = await program();
    for (let round = 1; round <= 30; round += 1) {
      heard = [];
      await display.keyboard.burst('MetaLeft', 'KeyX', WRITTEN);
      const pressed = () => heard.filter(({ phase }) => phase === 'down').map(({ code }) => code);
      await expect.poll(() => pressed().at(-1), { message: `round ${round}` }).toBe('Enter');
      expect(pressed()).toEqual(['KeyX', ...WRITTEN]);
      grab.keepNoMore();
    }
    expect(others).toEqual([]);
  });

  it('one of two hold keys comes up: the hold goes on', async () => {
    await want();
    await display.keyboard.down('MetaLeft', 'MetaRight');
    await display.keyboard.tap('KeyS');
    await display.keyboard.up('MetaRight');
    await display.keyboard.tap('KeyX');
    await expect.poll(line).toBe('KeyS down, KeyS up, KeyX down, KeyX up');
    await display.keyboard.up('MetaLeft');
    await expect.poll(ends).toBe(1);
  });

  it('a key that repeats is pressed once, and let go once', async () => {
    await want();
    await display.keyboard.down('MetaLeft', 'KeyS');
    const repeats = () => heard.filter(({ repeat }) => repeat).length;
    await expect.poll(repeats).toBeGreaterThan(3);
    await display.keyboard.up('KeyS', 'MetaLeft');
    await expect.poll(ends).toBe(1);
    const rest = heard.filter(({ repeat }) => !repeat).map(({ code, phase }) => `${code} ${phase}`);
    expect(rest.sort()).toEqual(['KeyS down', 'KeyS up', 'MetaLeft up']);
  });

  it('Shift is heard, and so are the keys with Caps Lock and Num Lock on', async () => {
    await want();
    await display.keyboard.tap('CapsLock', 'NumLock');
    await display.keyboard.chord('MetaLeft', 'Shift+KeyW');
    await expect.poll(ends).toBe(1);
    await display.keyboard.tap('CapsLock', 'NumLock');
    expect(line()).toContain('Shift+KeyW down');
  });

  it('a position stays one when the layout changes', async () => {
    await want();
    display.keyboard.layout('fr');
    onTestFinished(() => display.keyboard.layout('us'));
    const pressed = async () => {
      heard = [];
      await display.keyboard.chord('MetaLeft', 'KeyW');
      await expect.poll(ends).toBe(1);
      return heard[0];
    };
    // What the French layout has where Latin keyboards have W (xkb-data, symbols/fr).
    await expect.poll(pressed).toMatchObject({ code: 'KeyW', key: 'z', phase: 'down' });
  });
});

it('no tap is lost while the map of the keyboard changes', async () => {
  await want();
  const changing = spawn('sh', ['-c', 'for n in 1 2 3 4 5 6 7 8; do setxkbmap -layout us; done'], {
    env: { ...process.env, DISPLAY: display.name },
  });
  const over = once(changing, 'exit');
  let taps = 0;
  while (changing.exitCode === null) {
    taps += 1;
    await display.keyboard.chord('MetaLeft', 'KeyS');
    await pause(2);
  }
  await over;
  await expect.poll(ends).toBe(taps);
  expect(heard.filter(({ code, phase }) => code === 'KeyS' && phase === 'down')).toHaveLength(taps);
});

describe('while the keyboard is about to be given to a window', () => {
  /** A hold that is over by now; what a program hears since it began. */
  async function givingAfterHold(): Promise<string[]> {
    await want();
    const others = await program();
    await display.keyboard.down('MetaLeft');
    await display.keyboard.tap('KeyS');
    await expect.poll(() => heard.length).toBe(2);
    grab.keep();
    await display.keyboard.up('MetaLeft');
    return others;
  }

  it('what is pressed is heard, also once the hold key is up, and belongs to no program', async () => {
    const others = await givingAfterHold();
    await display.keyboard.tap('KeyB');
    await expect.poll(line).toBe('KeyS down, KeyS up, MetaLeft up, KeyB down, KeyB up');
    grab.letGo();
    await grab.isDown();
    await display.keyboard.tap('KeyC');
    await expect.poll(() => others).toEqual(['KeyC']);
  });

  it('it is given back if it is not given after all', async () => {
    const others = await givingAfterHold();
    await expect.poll(ends).toBe(1);
    grab.keepNoMore();
    await grab.isDown();
    await display.keyboard.tap('KeyC');
    await expect.poll(() => others).toContain('KeyC');
    await display.keyboard.chord('MetaLeft', 'KeyS');
    await expect.poll(ends).toBe(2);
  });
});

it('keys that are pressed without it are the programs’', async () => {
  await want();
  const others = await program();
  await display.keyboard.tap('KeyS', 'KeyX');
  await expect.poll(() => others).toEqual(['KeyS', 'KeyX']);
  expect(heard).toEqual([]);
});

it('a key that another program has is said, and the others are ours', async () => {
  const other = await XConnection.open(display.name);
  onTestFinished(() => other.close());
  // Mod4, which Meta is on by default (xkb-data, symbols/pc).
  other.client.GrabKey(other.root, 0, 64, KEYCODES.KeyS ?? 0, 1, 1, () => true);
  await other.client.sync();
  await want();
  await expect.poll(() => taken).toEqual(['KeyS']);
  await display.keyboard.chord('MetaLeft', 'KeyW');
  await expect.poll(ends).toBe(1);
  expect(line()).toBe('KeyW down, KeyW up, MetaLeft up');
});

it('what is not wanted any more is the programs’ again', async () => {
  await want();
  await grab.want(null);
  const others = await program();
  await display.keyboard.chord('MetaLeft', 'KeyS');
  await expect.poll(() => others).toContain('KeyS');
  expect(heard).toEqual([]);
});

it('what is pressed while it is being given back is the programs’, all of it and in order', async () => {
  await want();
  const others = await program();
  const givingBack = grab.want(null);
  await display.keyboard.burst('MetaLeft', 'KeyS', WRITTEN);
  await givingBack;
  await expect.poll(() => others).toEqual(['KeyS', ...WRITTEN]);
  expect(heard).toEqual([]);
});
