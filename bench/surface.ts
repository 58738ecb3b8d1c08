/**
 * `npm run bench:surface`: in headless Chromium, from the survey's key to its painted pictures, what moving a window costs
 * alone and among a hundred, and what the page keeps of a thousand windows that were opened and closed. Times carry the
 * machine's noise: the middle one of several is taken, and beside it stands the processor time of the page's thread.
 */
import { randomUUID } from 'node:crypto';
import type { CDPSession, Page } from 'playwright-core';
import { createSession, launchChromium } from '../testing/browser';
import { startServer } from '../testing/server';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { STACK_DEPTH } from '../src/lib/core/model/limits';
import { documentWith } from './documents';
import { threadTime } from './page-meter';
import { percentile, printTable } from './statistics';

const SURVEYED = [10, 60, 200, 1_000];
const OPENINGS = 9;
const MOVES = 150;
const ROUNDS = 3;
const OPENED = 1_000;
const AT_ONCE = 100;

// As text: the functions of a script that is run by tsx ask for a helper that the page does not have.

/** Notes in `times` how long it takes from the key to the frame after the survey's first picture. */
const WATCH_SURVEY = `
  window.times = [];
  addEventListener('keydown', ({ code, timeStamp }) => {
    if (code !== 'KeyW') return;
    const look = () => {
      if (!document.querySelector('[role=option]')) return void requestAnimationFrame(look);
      const channel = new MessageChannel();
      channel.port1.onmessage = () => times.push(performance.now() - timeStamp);
      channel.port2.postMessage(null);
    };
    requestAnimationFrame(look);
  }, true);
`;
/** Counts frames in `painted`. */
const COUNT_FRAMES = `
  window.painted = { count: 0 };
  const count = () => {
    painted.count += 1;
    requestAnimationFrame(count);
  };
  requestAnimationFrame(count);
`;

const cluster = await throwawayCluster();
const server = await startServer(cluster.url);
const browser = await launchChromium();
const unlimited = await launchChromium(['--disable-frame-rate-limit', '--disable-gpu-vsync']);
try {
  printTable('From the survey’s key to its painted pictures', await surveys());
  printTable(`Moving a window by the pointer, ${MOVES} moves, frame rate unlimited`, await moving());
  printTable(`Memory after ${OPENED} windows were opened and closed`, await memory());
} finally {
  await browser.close();
  await unlimited.close();
  await server.kill();
  await cluster.stop();
}

/** A page on a session of its own. */
async function pageWith(
  windows: number,
  where = browser,
): Promise<{ page: Page; id: string; devtools: CDPSession }> {
  const id = await createSession(documentWith(windows), server.url);
  const page = await where.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.url}/sessions/${id}`);
  await page.locator('section[aria-current=true]').waitFor();
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Performance.enable', { timeDomain: 'threadTicks' });
  return { page, id, devtools };
}

async function surveys() {
  const rows = [];
  for (const windows of SURVEYED) {
    const { page, devtools } = await pageWith(windows);
    await page.evaluate(WATCH_SURVEY);
    const threads: number[] = [];
    for (let n = 0; n < OPENINGS; n += 1) {
      const before = await threadTime(devtools);
      await page.keyboard.down('Alt');
      await page.keyboard.press('KeyW');
      await page.keyboard.up('Alt');
      await page.getByRole('option').first().waitFor();
      await page.waitForTimeout(300);
      threads.push((await threadTime(devtools)) - before);
      await page.keyboard.press('Escape');
      await page.getByRole('option').first().waitFor({ state: 'detached' });
      await page.waitForTimeout(200);
    }
    const times = await page.evaluate(() => (window as unknown as { times: number[] }).times);
    rows.push({
      windows,
      'p50, ms': Math.round(percentile(times, 50)),
      'slowest, ms': Math.round(Math.max(...times)),
      'page thread, ms': Math.round(percentile(threads, 50)),
    });
    await page.close();
  }
  return rows;
}

interface Dragged {
  /** Ms from one frame to the next. */
  readonly frame: number;
  /** Ms of the page's thread for one move of the pointer. */
  readonly thread: number;
}

/** Drags the front window about, and counts the frames meanwhile. */
async function dragged(windows: number): Promise<Dragged> {
  const { page, devtools } = await pageWith(windows, unlimited);
  const head = await page.locator('section[aria-current=true] [data-moves]').first().boundingBox();
  if (!head) throw new Error('The front window has no head.');
  const [x, y] = [head.x + head.width / 2, head.y + head.height / 2];
  // What moves windows comes with the pointer.
  await page.mouse.move(x - 3, y);
  await page.waitForTimeout(500);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 20, y + 20, { steps: 5 });
  await page.evaluate(COUNT_FRAMES);
  const before = await threadTime(devtools);
  const start = performance.now();
  for (let n = 0; n < MOVES; n += 1)
    await page.mouse.move(x + 20 + 150 * Math.sin(n / 8), y + 80 + 60 * Math.cos(n / 8));
  const ms = performance.now() - start;
  const thread = ((await threadTime(devtools)) - before) / MOVES;
  const count = await page.evaluate(
    () => (window as unknown as { painted: { count: number } }).painted.count,
  );
  await page.mouse.up();
  await page.close();
  return { frame: ms / count, thread };
}

async function moving() {
  const rounds: { readonly alone: Dragged; readonly among: Dragged }[] = [];
  for (let round = 0; round < ROUNDS; round += 1)
    rounds.push({ alone: await dragged(1), among: await dragged(100) });
  const middle = (of: (round: (typeof rounds)[number]) => number) =>
    Number(percentile(rounds.map(of), 50).toFixed(2));
  return [
    {
      '': 'alone',
      'ms a frame': middle(({ alone }) => alone.frame),
      'page thread a move, ms': middle(({ alone }) => alone.thread),
    },
    {
      '': 'among 100',
      'ms a frame': middle(({ among }) => among.frame),
      'page thread a move, ms': middle(({ among }) => among.thread),
    },
    {
      '': 'ratio',
      'ms a frame': middle(({ alone, among }) => among.frame / alone.frame),
      'page thread a move, ms': middle(({ alone, among }) => among.thread / alone.thread),
    },
  ];
}

/** What is left once everything that nobody holds is gone. */
async function held(devtools: CDPSession): Promise<{ heap: number; nodes: number; listeners: number }> {
  for (let n = 0; n < 3; n += 1) await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = await devtools.send('Runtime.getHeapUsage');
  const { nodes, jsEventListeners } = await devtools.send('Memory.getDOMCounters');
  return { heap: usedSize / 2 ** 20, nodes, listeners: jsEventListeners };
}

async function send(id: string, wishes: readonly object[]): Promise<void> {
  const at = new Date().toISOString();
  const commands = wishes.map((wish) => ({ ...wish, id: randomUUID(), at }));
  const response = await fetch(`${server.url}/api/sessions/${id}/commands`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: randomUUID(), commands }),
  });
  if (!response.ok) throw new Error(`Not stored: ${await response.text()}`);
}

async function memory() {
  const { page, id, devtools } = await pageWith(10);
  const open = (count: number) =>
    Array.from({ length: count }, () => ({ type: 'open-window', application: 'a-1', inFront: false }));
  const openAndClose = async (count: number) => {
    for (let opened = 0; opened < count; opened += AT_ONCE) await send(id, open(Math.min(count, AT_ONCE)));
    await page.waitForTimeout(1_000);
    await send(id, [{ type: 'close-all', application: 'a-1' }]);
  };
  /** Only so many endings can be taken back: more of them let go what was before. */
  const forget = async () => {
    for (let n = 0; n < STACK_DEPTH; n += 1) {
      await send(id, open(1));
      await send(id, [{ type: 'close-all', application: 'a-1' }]);
    }
  };
  const rows: Record<string, string | number>[] = [];
  let first: number | null = null;
  const measure = async (name: string) => {
    await page.waitForTimeout(2_500);
    const { heap, nodes, listeners } = await held(devtools);
    first ??= heap;
    rows.push({
      '': name,
      'heap, MiB': Number(heap.toFixed(2)),
      '÷ before': Number((heap / first).toFixed(3)),
      nodes,
      listeners,
    });
  };
  // What the first window costs, code that is compiled for one, is not what a thousand leave behind.
  await openAndClose(AT_ONCE);
  await forget();
  await measure('before');
  await openAndClose(OPENED);
  await measure(`after ${OPENED} that can be reopened`);
  await forget();
  await measure('once they cannot any more');
  await openAndClose(OPENED);
  await forget();
  await measure(`after ${OPENED} more that cannot`);
  await page.close();
  return rows;
}
