/** What keys cost a page: from a key to the next painted frame, and in processor time. */
import type { Browser, CDPSession, Page } from 'playwright-core';
import { percentile } from './statistics';

/** What one key costs: from key to frame in ms, and in ms of processor time. */
export interface Cost {
  readonly p50: number;
  readonly p95: number;
  readonly thread: number;
  readonly all: number;
}
/** Measures a page from now on. */
export interface Meter {
  /** What was measured since it was read last. */
  read(): Promise<Cost>;
}

/** A meter of what keys cost a page and its browser. */
export async function meterOf(page: Page, browser: Browser): Promise<Meter> {
  await watchFrames(page);
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Performance.enable', { timeDomain: 'threadTicks' });
  const processes = await browser.newBrowserCDPSession();
  let thread = await threadTime(devtools);
  let all = await processTime(processes);
  return {
    async read() {
      const spent = { thread: await threadTime(devtools), all: await processTime(processes) };
      const times = await noted(page);
      const cost = {
        p50: percentile(times, 50),
        p95: percentile(times, 95),
        thread: (spent.thread - thread) / times.length,
        all: (spent.all - all) / times.length,
      };
      thread = await threadTime(devtools);
      all = await processTime(processes);
      return cost;
    },
  };
}

/** The processor time that the page's main thread has used, in ms. */
export async function threadTime(devtools: CDPSession): Promise<number> {
  const { metrics } = await devtools.send('Performance.getMetrics');
  return 1000 * (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? Number.NaN);
}

/** The processor time that all processes of the browser have used, in ms. */
async function processTime(devtools: CDPSession): Promise<number> {
  const { processInfo } = await devtools.send('SystemInfo.getProcessInfo');
  return 1000 * processInfo.reduce((sum, { cpuTime }) => sum + cpuTime, 0);
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

/** Takes what was noted. */
function noted(page: Page): Promise<number[]> {
  return page.evaluate(() => (window as unknown as { times: number[] }).times.splice(0));
}
