/**
 * `npm run bench:tally`: a million switches read and analysed, in time and memory; what the page's thread does meanwhile, and
 * how soon the tally opens; the cheapest way at desks of three sizes. Times carry the machine's noise: the middle of several.
 */
import { keysNow } from '../testing/switches';
import { historyFromArrow } from '../src/lib/client/tally/history-from-arrow';
import { catalogueOf } from '../src/lib/core/search/session-catalogue';
import { cheapestWay } from '../src/lib/core/tally/cheapest-way';
import { PUBLISHED } from '../src/lib/core/tally/operators';
import type { Switch } from '../src/lib/core/tally/recording';
import { tallyOf } from '../src/lib/core/tally/tally';
import { WAYS } from '../src/lib/core/tally/way';
import { asArrow } from '../src/lib/server/tally/arrow';
import { createSession, launchChromium, openPageIn } from '../testing/browser';
import { US_NEIGHBOURS } from '../testing/candidates';
import { aroundOf, REGISTRY } from '../testing/person';
import { Random } from '../testing/random';
import { startServer } from '../testing/server';
import { later, sessionOf } from '../testing/sessions';
import { throwawayCluster } from '../scripts/lib/cluster.mjs';
import { DEMO_ID } from '../src/lib/demo/demo-id';
import { documentWith } from './documents';
import { percentile, printTable } from './statistics';

const MILLION = 1_000_000;
const ROUNDS = 5;
const MIB = 2 ** 20;
const DAY_MS = 24 * 3_600_000;
/** Two years of working days, at the end of which the page stands. */
const SINCE = Date.now() - 730 * DAY_MS;

const question = {
  since: 0,
  until: Infinity,
  days: Array.from({ length: 7 }, (_, n) => ({
    start: Date.now() - (7 - n) * DAY_MS,
    end: Date.now() - (6 - n) * DAY_MS,
  })),
  operators: PUBLISHED,
  keys: keysNow({ places: ['a1'] }),
};

const bytes = await asArrow(millionSwitches());
printTable(`${MILLION} switches, ${(bytes.length / MIB).toFixed(0)} MiB of Arrow`, analysed(bytes));
printTable('The page', [await opened(null), await opened(bytes)]);
printTable('The cheapest way to each window', [20, 100, 1_000].map(ways));

/** Switches among a hundred windows of twenty applications. */
async function* millionSwitches(): AsyncGenerator<Switch[]> {
  const random = new Random(1);
  const end = (n: number) => ({ window: `w${n}`, application: `a${n % 20}` });
  let from = end(0);
  for (let page = 0; page < 100; page += 1) {
    yield Array.from({ length: MILLION / 100 }, (_, n): Switch => {
      const to = end(random.below(100));
      const index = page * (MILLION / 100) + n;
      const it: Switch = {
        seq: index,
        at: new Date(SINCE + (index * 730 * DAY_MS) / MILLION).toISOString(),
        way: random.one(WAYS),
        took: 200 + random.below(4_000),
        presses: 1 + random.below(6),
        from,
        to,
        row: random.below(20),
        rows: 20,
        leaf: random.below(5),
        leaves: 5,
        goesOn: random.chance(0.1),
      };
      from = to;
      return it;
    });
    await new Promise((resolve) => setImmediate(resolve));
  }
}

/** Reading and analysing, and what that takes of memory beyond the bytes themselves. */
function analysed(arrow: Uint8Array) {
  const [read, told] = [[] as number[], [] as number[]];
  let most = 0;
  for (let round = 0; round < ROUNDS; round += 1) {
    globalThis.gc?.();
    const before = process.memoryUsage();
    const start = performance.now();
    const history = historyFromArrow(arrow);
    const middle = performance.now();
    tallyOf(history, question);
    told.push(performance.now() - middle);
    read.push(middle - start);
    const after = process.memoryUsage();
    most = Math.max(most, after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers);
  }
  return [
    {
      'reading, ms': percentile(read, 50).toFixed(0),
      'analysing, ms': percentile(told, 50).toFixed(0),
      'memory with the bytes, MiB': ((most + arrow.length) / MIB).toFixed(0),
    },
  ];
}

/** From the key to the first figure in a page, whose server answers with those bytes or of the demo, and the longest task of its thread. */
async function opened(arrow: Uint8Array | null) {
  const cluster = await throwawayCluster();
  const server = await startServer(cluster.url);
  const browser = await launchChromium();
  try {
    const id = arrow ? await createSession(documentWith(20), server.url) : DEMO_ID;
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
    });
    if (arrow)
      await context.route('**/switches?**', (route) =>
        route.fulfill({ body: Buffer.from(arrow), contentType: 'application/vnd.apache.arrow.stream' }),
      );
    const person = await openPageIn(context, id, server.url);
    const { page } = person;
    const open = async (): Promise<number> => {
      const start = Date.now();
      await person.chord('Shift+M');
      await page.locator('[data-drawn=true]').first().waitFor();
      return Date.now() - start;
    };
    const first = await open();
    const longest = async (does: () => Promise<unknown>): Promise<number> => {
      await page.evaluate(
        'window.tasks = []; new PerformanceObserver((list) => tasks.push(...list.getEntries().map((e) => e.duration))).observe({ type: "longtask" })',
      );
      await does();
      return Number(await page.evaluate('Math.max(0, ...tasks)'));
    };
    const task = await longest(async () => {
      await person.press('a', 'w', 'm', 'a');
      await page.waitForTimeout(4_000);
    });
    await person.press('Escape');
    const again = await open();
    return {
      history: arrow ? 'a million' : 'the demo’s',
      'first opening, ms': first,
      'opening again, ms': again,
      'longest task of the page, ms': task.toFixed(0),
    };
  } finally {
    await browser.close();
    await server.kill();
    await cluster.stop();
  }
}

/** Windows by five an application, but twenty applications at most. */
function ways(windows: number) {
  const applications = Math.min(20, windows / 5);
  const line = Array.from({ length: applications }, (_, a) => {
    const own = Array.from({ length: windows / applications }, (_w, n) => `w${a}x${n}`);
    return `p${a}: ${own.join(' ')}`;
  }).join(' | ');
  const session = sessionOf(line);
  const search = {
    catalogue: catalogueOf(session, REGISTRY),
    searcher: { learned: [], neighbours: US_NEIGHBOURS, at: later(0) },
  };
  const { matching } = aroundOf(session);
  const times = (): number[] =>
    session.windows.map(({ id }) => {
      const start = performance.now();
      cheapestWay(id, { session, matching, operators: PUBLISHED, search });
      return performance.now() - start;
    });
  for (let round = 0; round < ROUNDS; round += 1) times();
  const measured = times();
  const mean = measured.reduce((sum, time) => sum + time, 0) / measured.length;
  return { windows, 'mean, ms': mean.toFixed(2), 'p95, ms': percentile(measured, 95).toFixed(2) };
}
