/**
 * `npm run bench:ui`: in headless Chromium, from a key going down to the next painted frame, and the first load.
 * Once as it is (a frame waits for the screen, 60 Hz), and once with the frame rate unlimited, which leaves the work.
 * The latencies carry all of the machine's noise, so each is stated beside that of an empty page measured just before,
 * and the middle one of several rounds is taken; the processor time that a key costs, the page's main thread and all of
 * the browser's processes, carries less. BENCH_ROUNDS says how many rounds.
 */
import type { Browser, Page } from 'playwright-core';
import { createSession, launchChromium } from '../testing/browser';
import { startServer } from '../testing/server';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { documentWith } from './documents';
import { meterOf, type Cost, type Meter } from './page-meter';
import { percentile, printTable } from './statistics';

const SIZES = [10, 100, 1_000];
const STEPS = 120;
const ROUNDS = Number(process.env['BENCH_ROUNDS'] ?? 3);
/** Between two keys, about as fast as a held key repeats. */
const PAUSE_MS = 27;
const UNLIMITED = ['--disable-frame-rate-limit', '--disable-gpu-vsync'];

const cluster = await throwawayCluster();
const server = await startServer(cluster.url);
try {
  printTable('First load of a desk', await loads());
  printTable('Key to painted frame, screen at 60 Hz, ms', await keys([]));
  printTable('Key to painted frame, frame rate unlimited, ms', await keys(UNLIMITED));
} finally {
  await server.kill();
  await cluster.stop();
}

async function loads() {
  const rows = [];
  for (const size of SIZES) {
    const browser = await launchChromium();
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const network = await page.context().newCDPSession(page);
    await network.send('Network.enable');
    let bytes = 0;
    network.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
    const start = performance.now();
    await page.goto(`${server.url}/sessions/${await createSession(documentWith(size), server.url)}`);
    await page.locator('section[aria-current=true]').waitFor();
    const ms = Math.round(performance.now() - start);
    await page.waitForTimeout(300);
    rows.push({ windows: size, 'KiB over the wire': Math.round(bytes / 1024), 'ms to the front window': ms });
    await browser.close();
  }
  return rows;
}

/** What keys cost, in the middle of all rounds. */
async function keys(flags: readonly string[]) {
  const rounds: Measured[][] = [];
  for (let round = 0; round < ROUNDS; round += 1) rounds.push(await keysOnce(flags));
  const first = rounds[0] ?? [];
  const rows = first.map(({ windows, action }, at) => {
    const middle = (of: (one: Measured, round: readonly Measured[]) => number) =>
      percentile(
        rounds.map((round) => of(round[at] as Measured, round)),
        50,
      );
    const smallest = (round: readonly Measured[]) => round.find((one) => one.action === action) as Measured;
    return {
      windows,
      action,
      p50: middle(({ p50 }) => p50).toFixed(1),
      p95: middle(({ p95 }) => p95).toFixed(1),
      'p95 ÷ empty page': middle(({ p95 }, [empty]) => p95 / (empty?.p95 ?? Number.NaN)).toFixed(2),
      'page thread, ms': middle(({ thread }) => thread).toFixed(1),
      '÷ smallest': middle(({ thread }, round) => thread / smallest(round).thread).toFixed(2),
      'all processes, ms': middle(({ all }) => all).toFixed(1),
      '÷ smallest ': middle(({ all }, round) => all / smallest(round).all).toFixed(2),
    };
  });
  return rows;
}

interface Measured extends Cost {
  readonly windows: number;
  readonly action: string;
}

async function keysOnce(flags: readonly string[]): Promise<Measured[]> {
  const browser = await launchChromium(flags);
  const rows: Measured[] = [{ windows: 0, action: 'nothing', ...(await emptyPage(browser)) }];
  for (const size of SIZES) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${server.url}/sessions/${await createSession(documentWith(size), server.url)}`);
    await page.locator('section[aria-current=true]').waitFor();
    const meter = await meterOf(page, browser);
    rows.push({ windows: size, action: 'stepping', ...(await stepping(page, meter)) });
    rows.push({ windows: size, action: 'searching', ...(await searching(page, meter)) });
    rows.push({ windows: size, action: 'switching', ...(await switching(page, meter)) });
    rows.push({ windows: size, action: 'places', ...(await pressingPlaces(page, meter)) });
    await page.close();
  }
  await browser.close();
  return rows;
}

/** What a key and a frame cost on this machine when the page does nothing but change one letter. */
async function emptyPage(browser: Browser): Promise<Cost> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto('about:blank');
  await page.evaluate(() =>
    addEventListener('keydown', (event) => (document.body.textContent = `${event.code} ${event.timeStamp}`)),
  );
  const meter = await meterOf(page, browser);
  for (let n = 0; n < STEPS; n += 1) await pressed(page, 'KeyS', n);
  const result = await meter.read();
  await page.close();
  return result;
}

async function pressed(page: Page, key: string, n: number): Promise<void> {
  await page.keyboard.press(key);
  await page.waitForTimeout(PAUSE_MS + (n % 7));
}

/** Steps through the open switcher; each step unfolds another row with its previews. */
async function stepping(page: Page, meter: Meter) {
  await page.keyboard.down('Alt');
  await page.keyboard.press('KeyS');
  await page.getByRole('dialog').waitFor();
  await meter.read();
  for (let n = 0; n < STEPS; n += 1) await pressed(page, n % 4 === 3 ? 'KeyF' : 'KeyS', n);
  const result = await meter.read();
  await page.keyboard.press('Escape');
  await page.keyboard.up('Alt');
  await meter.read();
  return result;
}

/** Types a word letter by letter with search open, takes it back, and so on. */
async function searching(page: Page, meter: Meter) {
  await page.keyboard.down('Alt');
  await page.keyboard.press('KeyQ');
  await page.keyboard.up('Alt');
  await page.getByRole('dialog').waitFor();
  await meter.read();
  const word = ['q', 'u', 'a', 'y'];
  for (let n = 0; n < STEPS; n += 1)
    await pressed(
      page,
      n % (2 * word.length) < word.length ? (word[n % word.length] ?? 'q') : 'Backspace',
      n,
    );
  const result = await meter.read();
  await page.keyboard.press('Escape');
  await meter.read();
  return result;
}

/** Quick flips: the release brings another window to the front. */
async function switching(page: Page, meter: Meter) {
  for (let n = 0; n < STEPS / 3; n += 1) {
    await page.keyboard.down('Alt');
    for (let step = 0; step <= n % 3; step += 1) await page.keyboard.press('KeyS');
    await page.keyboard.up('Alt');
    await page.waitForTimeout(PAUSE_MS + (n % 7));
  }
  return meter.read();
}

/** Digits of places while the hold key is down: each brings another window to the front. */
async function pressingPlaces(page: Page, meter: Meter) {
  await page.keyboard.down('Alt');
  await meter.read();
  for (let n = 0; n < STEPS / 3; n += 1) await pressed(page, `Digit${1 + (n % 3)}`, n);
  const result = await meter.read();
  await page.keyboard.up('Alt');
  await meter.read();
  return result;
}
