/**
 * `npm run bench:display`: real keys on a display of its own (Xvfb), with the agent and the server as they ship. From the hold
 * key to the painted switcher, from letting go to the active window, a window's picture, the first listing, and what the agent
 * costs while nothing happens. Needs Debian's packages xvfb and chromium.
 */
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { writtenDoor } from '../src/agent/browser/doors';
import { BrowserWire } from '../src/agent/browser/wire';
import { browserIn } from '../src/agent/panel';
import { InstalledPrograms } from '../src/agent/programs';
import { snapshotOf } from '../src/agent/x11/telling';
import { EVENTS } from '../src/agent/x11/x-connection';
import { XDisplay } from '../src/agent/x11/x-display';
import { TIMERS } from '../src/lib/core/desk/state';
import type { Picture } from '../src/lib/core/display/pictures';
import { ensureBuild } from '../scripts/lib/build.mjs';
import { CarriedDisplay } from '../testing/display/carried-display';
import { Display } from '../testing/display/display';
import { XClient } from '../testing/display/x-client';
import { percentile, printTable } from './statistics';

const ROUNDS = 100;
const LISTINGS = 30;
const LISTED = [10, 200];
/** Between two rounds, in ms: what comes after a switch is over by then. */
const REST_MS = 120;
const IDLE_MS = 60_000;
const FRAME_MS = 1_000 / 60;
/** How often something is looked for, in ms. */
const LOOK_MS = 1;
/** Processor time is told in these (`sysconf(_SC_CLK_TCK)`, common practice: 100 on Linux). */
const TICKS_PER_SECOND = 100;

/** Notes, by this machine's clock, when the next frame that has the switcher was given out; looks no longer than that. */
const WATCH = `
  painted = 0;
  (function look() {
    if (!document.querySelector('[role=dialog] [role=grid]')) return void requestAnimationFrame(look);
    const channel = new MessageChannel();
    channel.port1.onmessage = () => (painted = performance.timeOrigin + performance.now());
    channel.port2.postMessage(null);
  })();
`;

await ensureBuild();
const folder = mkdtempSync(join(tmpdir(), 'key-fold-bench-'));
/** The browser of Key Fold's own window, with a door to look in by. */
const browser = join(folder, 'browser');
writeFileSync(browser, `#!/bin/sh\nexec ${browserIn(process.env)} --remote-debugging-port=0 "$@"\n`);
chmodSync(browser, 0o700);

try {
  await measureSwitching();
  await measureListing();
} finally {
  rmSync(folder, { recursive: true, force: true });
}

/** From keys to windows, with ten of them. */
async function measureSwitching(): Promise<void> {
  const desk = await CarriedDisplay.begin({ env: { KEY_FOLD_BROWSER: browser } });
  const clients: XClient[] = [];
  const shown: number[] = [];
  try {
    for (let n = 0; n < 10; n += 1) {
      const client = await XClient.open(desk.display.name, `program${n}`);
      clients.push(client);
      const box = { x: 20 * n, y: 20 * n, width: 1280, height: 800 };
      shown.push(await client.show({ title: `w${n}`, box }));
    }
    while ((await desk.session()).windows.length < 10) await pause(REST_MS);
    const { client, root } = desk.display.connection;
    client.ChangeWindowAttributes(root, { eventMask: EVENTS.PropertyChange });
    const page = await panelPage(join(desk.secrets, 'panel'));
    await pause(1_000);
    const taps = await measure(ROUNDS, () => timeTap(desk));
    const held = await measure(ROUNDS, () => timeHold(desk, page));
    const pictures = await measure(ROUNDS, () => timePicture(desk, shown[0] ?? 0));
    const row = (what: string, times: readonly number[], frames = false) => ({
      what,
      'p50 ms': percentile(times, 50).toFixed(1),
      'p95 ms': percentile(times, 95).toFixed(1),
      'p95 in frames of 60 Hz': frames ? (percentile(times, 95) / FRAME_MS).toFixed(1) : '',
    });
    printTable(`Keys on a display with 10 windows, ${ROUNDS} times each`, [
      row(
        `hold key to painted switcher, ${TIMERS.show} ms of which it waits whether it is a tap`,
        held.map(({ painted }) => painted),
      ),
      row(
        'release to active window, after that',
        held.map(({ released }) => released),
        true,
      ),
      row('release to active window, a tap', taps, true),
      row('a picture of a changed window of 1280x800, 360 wide, from the server', pictures),
    ]);
    await pause(5_000);
    printTable(`Nothing happens for ${IDLE_MS / 1_000} s: processor seconds an hour`, [await idleCost(desk)]);
  } finally {
    for (const client of clients) client.close();
    await desk.close();
  }
}

type Send = (method: string, params?: object) => Promise<unknown>;

/** The page in Key Fold's own window. */
async function panelPage(profile: string): Promise<Send> {
  const door = writtenDoor(profile);
  if (!door) throw new Error('The browser of Key Fold’s own window has not said where it can be reached.');
  const wire = await BrowserWire.open(door);
  const { targetInfos } = (await wire.send('Target.getTargets')) as {
    targetInfos: { targetId: string; type: string; url: string }[];
  };
  const target = targetInfos.find(({ type, url }) => type === 'page' && url.includes('/sessions/'));
  const { sessionId } = (await wire.send('Target.attachToTarget', {
    targetId: target?.targetId,
    flatten: true,
  })) as { sessionId: string };
  return (method, params) => wire.send(method, params, sessionId);
}

async function measure<T>(rounds: number, once: () => Promise<T>): Promise<T[]> {
  const all: T[] = [];
  for (let round = 0; round < rounds; round += 1) {
    all.push(await once());
    await pause(REST_MS);
  }
  return all;
}

/** Waits until another window is the active one; answers how long that took since `began`. */
function untilActive(desk: CarriedDisplay, began: number, is: (title: string) => boolean): Promise<number> {
  const { connection } = desk.display;
  return new Promise((resolve) => {
    const look = async () => {
      const looked = performance.now();
      if (!is(await desk.active())) return;
      stop();
      resolve(looked - began);
    };
    // Told, and not asked again and again: that would take time from what is measured.
    const stop = connection.onEvent(({ name }) => name === 'PropertyNotify' && void look());
    void look();
  });
}

async function timeTap(desk: CarriedDisplay): Promise<number> {
  const { keyboard } = desk.display;
  const before = await desk.active();
  await keyboard.down('MetaLeft');
  await keyboard.tap('KeyS');
  const began = performance.now();
  await keyboard.up('MetaLeft');
  return untilActive(desk, began, (title) => title !== before && title !== 'Key Fold');
}

async function timeHold(desk: CarriedDisplay, page: Send): Promise<{ painted: number; released: number }> {
  const { keyboard } = desk.display;
  const before = await desk.active();
  await page('Runtime.evaluate', { expression: WATCH });
  await keyboard.down('MetaLeft');
  const pressed = performance.now();
  const clock = performance.timeOrigin + pressed;
  await keyboard.tap('KeyS');
  const raised = await untilActive(desk, pressed, (title) => title === 'Key Fold');
  let painted = 0;
  while (painted === 0) {
    const { result } = (await page('Runtime.evaluate', { expression: 'painted' })) as {
      result: { value: number };
    };
    painted = result.value;
  }
  await pause(REST_MS);
  const began = performance.now();
  await keyboard.up('MetaLeft');
  const released = await untilActive(desk, began, (title) => title !== before && title !== 'Key Fold');
  return { painted: Math.max(raised, painted - clock), released };
}

/** Changes a window, and asks the server for its picture until there is another one. */
async function timePicture(desk: CarriedDisplay, xid: number): Promise<number> {
  const { windows } = await desk.session();
  const [window] = windows.filter(({ tabs }) => tabs[0]?.title === 'w0');
  if (!window) throw new Error('The window is not there.');
  const ask = async (seen: string | null): Promise<Picture | undefined> => {
    const response = await desk.ask('/api/sessions/display/pictures', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ windows: [{ window: window.id, width: 360, seen }] }),
    });
    const { pictures } = (await response.json()) as { pictures: Picture[] };
    return pictures[0];
  };
  const before = (await ask(null))?.version ?? null;
  // Not more often than the agent looks.
  await pause(300);
  const { client } = desk.display.connection;
  client.ChangeWindowAttributes(xid, { backgroundPixel: Math.floor(Math.random() * 0xffffff) });
  client.ClearArea(xid, 0, 0, 0, 0, 0);
  await client.sync();
  const began = performance.now();
  while (!(await ask(before))) await pause(LOOK_MS);
  return performance.now() - began;
}

/** What the agent uses, and the browser of Key Fold's own window beside it. */
async function idleCost({ agent }: CarriedDisplay): Promise<Readonly<Record<string, string>>> {
  const pid = agent.child.pid ?? 0;
  const before = { agent: cpuSeconds(pid), others: groupSeconds(pid) };
  await pause(IDLE_MS);
  const anHour = (seconds: number) => ((seconds * 3_600_000) / IDLE_MS).toFixed(1);
  const own = cpuSeconds(pid) - before.agent;
  return {
    agent: anHour(own),
    'browser of Key Fold’s own window': anHour(groupSeconds(pid) - before.others - own),
  };
}

/** Processor seconds of a process (`proc_pid_stat(5)`, utime and stime). */
function cpuSeconds(pid: number): number {
  const [, fields = ''] = readFileSync(`/proc/${pid}/stat`, 'utf8').split(/\) /);
  const words = fields.split(' ');
  return (Number(words[11]) + Number(words[12])) / TICKS_PER_SECOND;
}

/** The same of a process and all that it started. */
function groupSeconds(pid: number): number {
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim();
  const all = children === '' ? [] : children.split(' ').map(Number);
  return cpuSeconds(pid) + all.reduce((sum, child) => sum + groupSeconds(child), 0);
}

/** From connecting to the display until everything there is known. */
async function measureListing(): Promise<void> {
  const rows = [];
  for (const count of LISTED) {
    const display = await Display.open();
    const client = await XClient.open(display.name, 'program');
    for (let n = 0; n < count; n += 1) await client.show({ title: `w${n}` });
    while (display.manager.windows.length < count) await pause(REST_MS);
    const programs = new InstalledPrograms([]);
    const nobody = { changed: () => undefined, managed: () => undefined, failed: () => undefined };
    const times = await measure(LISTINGS, async () => {
      const began = performance.now();
      const reading = await XDisplay.open(display.name, programs, nobody);
      const { windows = [] } = snapshotOf(reading);
      const took = performance.now() - began;
      if (windows.length !== count) throw new Error(`${windows.length} of ${count} windows were listed.`);
      reading.close();
      return took;
    });
    rows.push({
      windows: count,
      'p50 ms': percentile(times, 50).toFixed(1),
      'p95 ms': percentile(times, 95).toFixed(1),
    });
    client.close();
    await display.close();
  }
  printTable(`First listing, ${LISTINGS} times each`, rows);
}
