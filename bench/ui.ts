/**
 * `npm run bench:ui`: in headless Chromium, from a key going down to the next painted frame, and the first load.
 * Once as it is (a frame waits for the screen, 60 Hz), and once with the frame rate unlimited, which leaves the work.
 * The latencies carry all of the machine's noise; the processor time that a key costs the page's main thread does
 * not, so that is what to compare between sizes and between versions.
 */
import type { Browser, CDPSession, Page } from 'playwright-core';
import { createSession, launchChromium } from '../testing/browser';
import { startServer } from '../e2e/support/server';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { deskWith } from './desks';
import { percentile, printTable } from './statistics';

const SIZES = [10, 100, 1_000];
const STEPS = 150;
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
    await page.goto(`${server.url}/sessions/${await createSession(deskWith(size), server.url)}`);
    await page.locator('section[aria-current=true]').waitFor();
    const ms = Math.round(performance.now() - start);
    await page.waitForTimeout(300);
    rows.push({ windows: size, 'KiB over the wire': Math.round(bytes / 1024), 'ms to the front window': ms });
    await browser.close();
  }
  return rows;
}

async function keys(flags: readonly string[]) {
  const browser = await launchChromium(flags);
  const rows = [{ windows: 0, action: 'nothing: an empty page', ...(await emptyPage(browser)) }];
  for (const size of SIZES) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${server.url}/sessions/${await createSession(deskWith(size), server.url)}`);
    await page.locator('section[aria-current=true]').waitFor();
    const meter = await meterOf(page);
    rows.push({ windows: size, action: 'stepping', ...(await stepping(page, meter)) });
    rows.push({ windows: size, action: 'searching', ...(await searching(page, meter)) });
    rows.push({ windows: size, action: 'switching', ...(await switching(page, meter)) });
    await page.close();
  }
  await browser.close();
  return rows;
}

/** What a key and a frame cost on this machine when the page does nothing but change one letter. */
async function emptyPage(browser: Browser) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto('about:blank');
  await page.evaluate(() =>
    addEventListener('keydown', (event) => (document.body.textContent = `${event.code} ${event.timeStamp}`)),
  );
  const meter = await meterOf(page);
  for (let n = 0; n < STEPS; n += 1) await pressed(page, 'KeyS', n);
  const result = await meter.read();
  await page.close();
  return result;
}

async function pressed(page: Page, key: string, n: number): Promise<void> {
  await page.keyboard.press(key);
  await page.waitForTimeout(PAUSE_MS + (n % 7));
}

interface Meter {
  /** What was measured since it was read last. */
  read(): Promise<Record<string, number>>;
}

async function meterOf(page: Page): Promise<Meter> {
  await watchFrames(page);
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Performance.enable', { timeDomain: 'threadTicks' });
  let before = await processorTime(devtools);
  return {
    async read() {
      const now = await processorTime(devtools);
      const spent = now - before;
      const latencies = await noted(page);
      before = await processorTime(devtools);
      return { ...latencies, 'CPU ms a key': Number((spent / latencies.keys).toFixed(1)) };
    },
  };
}

/** The processor time that the page's main thread has used, in ms. */
async function processorTime(devtools: CDPSession): Promise<number> {
  const { metrics } = await devtools.send('Performance.getMetrics');
  return 1000 * (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? Number.NaN);
}

/** Notes for every key how long it took until the frame after it was painted. */
async function watchFrames(page: Page): Promise<void> {
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { times });
    for (const type of ['keydown', 'keyup'])
      window.addEventListener(
        type,
        (event) => {
          // A step shows when its key goes down, a switch when Alt comes up.
          if ((type === 'keyup') !== ((event as KeyboardEvent).key === 'Alt')) return;
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => times.push(performance.now() - event.timeStamp);
            channel.port2.postMessage(null);
          });
        },
        true,
      );
  });
}

async function noted(page: Page) {
  const times = await page.evaluate(() => (window as unknown as { times: number[] }).times.splice(0));
  const at = (p: number) => Number(percentile(times, p).toFixed(1));
  return { keys: times.length, p50: at(50), p95: at(95), p99: at(99) };
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
