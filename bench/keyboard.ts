/**
 * `npm run bench:keyboard`: from a real key event to the first changed pixel, read back from the display, in Firefox and
 * Chromium. An empty page that changes its colour in the same run says how much of that is the browser's and the
 * machine's.
 */
import { setTimeout as pause } from 'node:timers/promises';
import { startServer } from '../testing/server';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { ellavane } from '../src/lib/demo/ellavane';
import { Display } from '../testing/display/display';
import { ENGINES, startBrowser, type Engine } from '../testing/display/engines';
import { Sitting } from '../testing/display/sitting';
import { percentile, printTable } from './statistics';

const PRESSES = 60;
/** No change for this long, in ms, is taken for rest. */
const REST_MS = 120;
const GIVE_UP_MS = 5_000;

/** Where to look, in pixels of the screen. */
interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
/** A strip down the middle of the page, which crosses the rows of the switcher, or else the windows. */
const MIDDLE: Region = { x: 640, y: 160, width: 4, height: 560 };
const SPOT: Region = { x: 400, y: 400, width: 16, height: 16 };

const cluster = await throwawayCluster();
const server = await startServer(cluster.url);
try {
  for (const engine of ENGINES) printTable(engine, await measured(engine));
} finally {
  await server.kill();
  await cluster.stop();
}
process.exit(0);

async function measured(engine: Engine) {
  const display = await Display.open();
  const { first: page, version } = await startBrowser(engine, display);
  console.log(`\n${version}`);
  const { keyboard } = display;
  const timed = async (region: Region, press: () => Promise<unknown>, between: () => Promise<unknown>) => {
    const times: number[] = [];
    for (let n = 0; n < PRESSES; n += 1) {
      times.push(await untilChanged(display, region, press));
      await between();
    }
    return times;
  };
  const nothing = async () => undefined;

  await page.goto('data:text/html,<title>Empty</title>');
  await page.evaluate(() => {
    addEventListener('keydown', () => {
      document.body.style.background = document.body.style.background === 'teal' ? 'white' : 'teal';
    });
  }, null);
  const rows = [row('an empty page', await timed(SPOT, () => keyboard.tap('KeyS'), nothing))];

  await Sitting.begin(page, server.url, ellavane(new Date()));
  await keyboard.down('AltLeft');
  await keyboard.tap('KeyS');
  rows.push(row('a step', await timed(MIDDLE, () => keyboard.tap('KeyS'), nothing)));
  await keyboard.tap('Escape');
  await keyboard.up('AltLeft');
  const flip = () => keyboard.chord('AltLeft', 'KeyS');
  rows.push(row('a quick tap, to the changed surface', await timed(MIDDLE, flip, nothing)));
  await keyboard.chord('AltLeft', 'KeyQ');
  const erase = async () => {
    await keyboard.tap('Backspace');
    await atRest(display, MIDDLE);
  };
  rows.push(row('a letter of search', await timed(MIDDLE, () => keyboard.tap('KeyR'), erase)));
  await display.close();
  return rows;
}

/** From just before keys are pressed until a pixel in the region is another one, in ms. */
async function untilChanged(
  display: Display,
  region: Region,
  press: () => Promise<unknown>,
): Promise<number> {
  const before = await atRest(display, region);
  const start = performance.now();
  const pressed = press();
  for (;;) {
    const now = await look(display, region);
    const ms = performance.now() - start;
    if (!now.equals(before) || ms > GIVE_UP_MS) {
      await pressed;
      return ms;
    }
    // The display, the browser and this share the machine's few cores.
    await pause(1);
  }
}

/** What the region shows once it does not change any more. */
async function atRest(display: Display, region: Region): Promise<Buffer> {
  for (let before = await look(display, region); ;) {
    await pause(REST_MS);
    const now = await look(display, region);
    if (now.equals(before)) return now;
    before = now;
  }
}

function look(display: Display, { x, y, width, height }: Region): Promise<Buffer> {
  return display.connection.pixels(x, y, width, height);
}

function row(what: string, times: readonly number[]) {
  const at = (p: number) => Number(percentile(times, p).toFixed(1));
  return { what, presses: times.length, 'p50 ms': at(50), 'p95 ms': at(95) };
}
