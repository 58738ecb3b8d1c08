/** `npm run screenshots [-- NAME …]`: takes the pictures in docs/screenshots from the demo, each on a session of its own. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fromDocument, type SessionDocument } from '../src/lib/core/formats/session-document';
import { setupDocument } from '../src/lib/core/setup/setup-document';
import type { Switch } from '../src/lib/core/tally/recording';
import { ellavaneHistory } from '../src/lib/demo/history';
import { asArrow } from '../src/lib/server/tally/arrow';
import { ellavane } from '../src/lib/demo/ellavane';
import { createSession, launchChromium, PageUser } from '../testing/browser';
import { startServer } from '../testing/server';
import { ensureBuild } from './lib/build.mjs';
import { throwawayCluster } from './lib/cluster.mjs';

const FOLDER = 'docs/screenshots';
const VIEWPORT = { width: 1280, height: 800 };
/** The pictures are all taken at this moment of a working day. */
const MOMENT = new Date('2026-11-24T06:12:00');

interface View {
  readonly desk?: () => SessionDocument;
  /** Whether the desk has the demo's invented history. */
  readonly history?: boolean;
  readonly open: (person: PageUser) => Promise<unknown>;
}

const demo = (): SessionDocument => ellavane(MOMENT, server.pages);
const byNight = (): SessionDocument => ({ ...demo(), settings: { ...demo().settings, theme: 'night' } });
const type = (person: PageUser, letters: string) => person.page.keyboard.type(letters);

/** Searches, and chooses what is found first. */
async function find(person: PageUser, letters: string) {
  await person.chord('Q');
  await type(person, letters);
  await person.press('Enter');
}

/** The set-up of somebody whose places and keys are others. */
function colleague(): string {
  const document = setupDocument(fromDocument(demo()));
  const chord = { shift: false, hold: true, modifiers: [] };
  const further = { opens: true, further: 'back' };
  return JSON.stringify({
    ...document,
    title: 'The pilots’ desk',
    settings: { ...document.settings, theme: 'night' },
    places: ['pilot-log', 'tides', 'crane-book', null, ...document.places.slice(4)],
    shortcuts: [
      {
        id: 's1',
        chord: { ...chord, code: 'KeyE' },
        aim: { application: 'letters', title: 'notice' },
        ...further,
      },
      { id: 's2', chord: { ...chord, code: 'KeyG' }, aim: { application: 'radio', title: null }, ...further },
    ],
    keys: [{ action: 'sweep', argument: null, chord: { ...chord, code: 'F9' } }],
    names: [...document.names, { thing: 'crane-book', name: 'Crane Book' }],
  });
}

const VIEWS: Readonly<Record<string, View>> = {
  surface: { open: async () => undefined },
  switcher: { open: (person) => person.hold('S', 'S') },
  'switcher-night': { desk: byNight, open: (person) => person.hold('S', 'S') },
  survey: { open: (person) => person.chord('W').then(() => person.press('ArrowRight')) },
  search: {
    open: async (person) => {
      await person.chord('Q');
      await type(person, 'to');
      await person.press('ArrowDown', 'Enter');
      await person.chord('Q');
      await type(person, 'to');
    },
  },
  index: {
    open: async (person) => {
      await person.chord('Backquote');
      await person.press('4', 'ArrowLeft');
      await person.page.getByRole('menu').waitFor();
    },
  },
  shortcut: {
    open: async (person) => {
      await person.chord('Shift+T');
      await person.page.getByRole('button', { name: /^Press the combination now/ }).waitFor();
      await person.chord('E');
    },
  },
  'web-page': {
    open: async (person) => {
      await find(person, 'notice board');
      const frame = person.page.frameLocator('main iframe').frameLocator('iframe');
      await frame.getByRole('heading').waitFor();
      await person.press('Enter', 'Tab');
      await type(person, 'Fog at the bar');
    },
  },
  'hand-over': {
    open: async (person) => {
      await find(person, 'hand over');
      const file = { name: 'set-up.json', mimeType: 'application/json', buffer: Buffer.from(colleague()) };
      await person.page.getByLabel('Take over a set-up').setInputFiles(file);
      await person.page.getByRole('button', { name: /^Take over \d/ }).waitFor();
    },
  },
  'key-sheet': {
    open: async (person) => {
      await find(person, 'key sheet');
      await person.page.getByRole('button', { name: 'Print' }).waitFor();
    },
  },
  settings: {
    open: async (person) => {
      await person.chord('Q');
      await type(person, 'north');
      await person.press('Enter');
      await person.chord('Q');
      await type(person, 'settings');
      await person.press('Enter');
    },
  },
  keys: { open: (person) => person.chord('H') },
  programs: {
    open: async (person) => {
      await find(person, 'handover');
      await find(person, 'wind');
      await person.press('ArrowRight', 'ArrowRight');
      await person.chord('Slash');
    },
  },
  cabinet: {
    open: async (person) => {
      await find(person, 'correspondence');
      await person.press('ArrowDown', 'F2');
    },
  },
  tally: {
    history: true,
    open: async (person) => {
      await person.chord('Shift+M');
      const drawn = person.page.locator('[data-drawn=true]');
      while ((await drawn.count()) < 6) await person.page.clock.runFor(100);
    },
  },
  drill: {
    open: async (person) => {
      await person.chord('Shift+Slash');
      await person.page.getByRole('button', { name: 'Begin a round' }).press('Enter');
      await person.chord('S');
      // Long enough to be told the keys.
      await person.page.clock.runFor(9_000);
    },
  },
  picture: {
    open: async (person) => {
      await person.chord('Shift+Y');
      await person.page.getByRole('button', { name: /^Everything/ }).press('Enter');
      const canvas = person.page.locator('.konvajs-content canvas');
      while ((await canvas.count()) === 0) await person.page.clock.runFor(100);
      await person.press(
        'x',
        'Shift+ArrowLeft',
        'ArrowDown',
        'ArrowDown',
        'ArrowDown',
        'ArrowDown',
        'ArrowDown',
        'ArrowDown',
      );
      await person.press(
        'Enter',
        'n',
        'ArrowLeft',
        'ArrowLeft',
        'ArrowUp',
        'ArrowUp',
        'ArrowUp',
        'ArrowUp',
        'Enter',
      );
      await person.press('a', 'ArrowUp', 'Enter', 'b', 'ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp');
    },
  },
  workspaces: { open: (person) => person.chord('I').then(() => person.chord('P')) },
};

async function* onePage(switches: readonly Switch[]): AsyncGenerator<readonly Switch[]> {
  yield await Promise.resolve(switches);
}

const asked = process.argv.slice(2);
const names = asked.length > 0 ? asked : Object.keys(VIEWS);
await ensureBuild();
mkdirSync(FOLDER, { recursive: true });
const cluster = await throwawayCluster();
const server = await startServer(cluster.url);
const browser = await launchChromium();
try {
  for (const name of names) await take(name);
} finally {
  await browser.close();
  await server.kill();
  await cluster.stop();
}

async function take(name: string): Promise<void> {
  const view = VIEWS[name];
  if (!view) throw new Error(`There is no view '${name}'. There are ${Object.keys(VIEWS).join(', ')}.`);
  const page = await browser.newPage({ viewport: VIEWPORT });
  await page.clock.install({ time: MOMENT });
  const session = await createSession((view.desk ?? demo)(), server.url);
  if (view.history) {
    const history = await asArrow(onePage(ellavaneHistory(demo(), MOMENT)));
    await page.route('**/switches?**', (route) => route.fulfill({ body: Buffer.from(history) }));
  }
  await page.goto(`${server.url}/sessions/${session}`);
  await page.locator('section[aria-current=true]').first().waitFor();
  await view.open(new PageUser(page, session, server.url, []));
  // Previews, fonts and the quiet tap's delay; the page's own clock is what they wait for.
  await page.clock.runFor(1_000);
  // The server does not go by that clock.
  await page.getByText('not confirmed yet').waitFor({ state: 'hidden' });
  await page.evaluate(async () => {
    await Promise.all([document.fonts.ready, ...document.getAnimations().map(({ finished }) => finished)]);
  });
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
  await page.close();
  console.log(`${FOLDER}/${name}.png`);
}
