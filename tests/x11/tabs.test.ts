/** The tabs of a real browser, as windows' tabs: found, brought forward, closed, opened, torn off and joined. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { socketFolder } from '../../src/agent/browser/doors';
import { browserIn } from '../../src/agent/panel';
import { InstalledPrograms } from '../../src/agent/programs';
import type { Wish } from '../../src/lib/core/commands/commands';
import { tabsByUse } from '../../src/lib/core/slices/windows/selectors';
import type { AppWindow } from '../../src/lib/core/slices/windows/state';
import { batchOf } from '../../testing/batches';
import { Display } from '../../testing/display/display';
import { DisplayDesk } from '../../testing/display/display-desk';

const PAGES = {
  tide: '<h1>Tide tables</h1>',
  berths:
    '<h1>Berths</h1><script>addEventListener("beforeunload", (event) => event.preventDefault())</script>',
  stuck: '<h1>Radio log</h1><script>addEventListener("keydown", () => { for (;;); })</script>',
};

const program = browserIn(process.env) ?? '';
let display: Display;
let desk: DisplayDesk;
let sockets: string;
const runtime = process.env.XDG_RUNTIME_DIR;

const address = (name: keyof typeof PAGES): string =>
  pathToFileURL(join(display.folder, `${name}.html`)).href;
const wish = async (...wishes: Wish[]) => {
  await desk.take([batchOf(...wishes)]);
  return desk.settlements.at(-1);
};
const flags = (profile: string): string[] => [
  `--user-data-dir=${join(display.folder, profile)}`,
  '--no-first-run',
  '--ozone-platform=x11',
  ...(process.getuid?.() === 0 ? ['--no-sandbox', '--test-type'] : []),
];
const follow = (browserTabs: boolean) =>
  wish({ type: 'change-settings', settings: { ...desk.session.settings, browserTabs } });
const windows = (): readonly AppWindow[] =>
  desk.session.windows.filter(({ application }) => application === 'browser');
const bars = (): string[] =>
  windows()
    .map(({ tabs, activeTab }) =>
      tabs.map(({ id, title }) => (id === activeTab ? `[${title}]` : title)).join(' '),
    )
    .toSorted();
/** The tab of that title, and its window. */
const tabCalled = (title: string) => {
  for (const { id: window, tabs } of windows())
    for (const tab of tabs) if (tab.title === title) return { window, tab: tab.id };
  throw new Error(`No tab is called ${title}: ${bars().join(' | ')}`);
};
/** What the display shows in front, said by someone else. */
const inFront = (): string =>
  execFileSync('xprop', ['-id', `0x${(desk.reading.active ?? 0).toString(16)}`, '-notype', '_NET_WM_NAME'], {
    env: { ...process.env, DISPLAY: display.name },
    encoding: 'utf8',
  });

beforeAll(async () => {
  display = await Display.open();
  sockets = join(display.folder, 'run');
  mkdirSync(sockets, { mode: 0o700 });
  process.env.XDG_RUNTIME_DIR = sockets;
  const entries = join(display.folder, 'applications');
  mkdirSync(entries);
  for (const [name, body] of Object.entries(PAGES))
    writeFileSync(join(display.folder, `${name}.html`), `<!doctype html><title>${name}</title>${body}`);
  const exec = [program, ...flags('profile'), address('tide'), address('berths'), address('stuck')].join(' ');
  writeFileSync(
    join(entries, 'browser.desktop'),
    `[Desktop Entry]\nType=Application\nName=Browser\nExec=${exec}\nStartupWMClass=Chromium\n`,
  );
  desk = new DisplayDesk(display, new InstalledPrograms([entries]), [process.pid], socketFolder());
  await desk.open();
});
afterAll(async () => {
  await wish({ type: 'end-now', application: 'browser' });
  await desk.close();
  await display.close();
  if (runtime === undefined) delete process.env.XDG_RUNTIME_DIR;
  else process.env.XDG_RUNTIME_DIR = runtime;
});

describe('the tabs of a browser that was started here', () => {
  it('are not followed before that is asked for, and then each is told', async () => {
    await follow(true);
    await wish({ type: 'switch-to-application', application: 'browser' });
    await expect.poll(bars).toEqual(['[tide] berths stuck']);
    expect(readdirSync(join(sockets, 'key-fold'))).toContainEqual(
      expect.stringMatching(/^browser-\d+\.sock$/),
    );
    expect(desk.session.host).toMatchObject({ abilities: expect.arrayContaining(['tear-off', 'reopen']) });
  });

  it('a tab is brought forward, and tabs are in the order in which they were used', async () => {
    const berths = tabCalled('berths');
    expect(await wish({ type: 'go-to-tab', ...berths, inFront: true })).toEqual({ kind: 'done' });
    await expect.poll(bars).toEqual(['tide [berths] stuck']);
    await expect.poll(inFront).toContain('berths');
    await wish({ type: 'go-to-tab', ...tabCalled('stuck'), inFront: true });
    await expect
      .poll(() => windows().map((window) => tabsByUse(window).map(({ title }) => title)))
      .toEqual([['stuck', 'berths', 'tide']]);
  });

  it('is carried within its bar', async () => {
    await wish({ type: 'carry-tab', ...tabCalled('tide'), position: 2 });
    await expect.poll(bars).toEqual(['berths [stuck] tide']);
  });

  it('a tab is torn off without being loaded anew, and joined again', async () => {
    const { tab, window } = tabCalled('tide');
    await wish({ type: 'tear-off', window, tab });
    await expect.poll(bars).toEqual(['[tide]', 'berths [stuck]']);
    expect(tabCalled('tide').tab).toBe(tab);
    expect(desk.session.ended).toEqual([]);
    await expect.poll(inFront).toContain('tide');
    await wish({ type: 'join', window: tabCalled('tide').window, into: window });
    await expect.poll(bars).toEqual(['berths stuck [tide]']);
    expect(desk.session.ended).toEqual([]);
  });

  it('a new one is opened where it is wished, and closed again while its page is still coming', async () => {
    const [{ id: window, tabs } = expect.unreachable()] = windows();
    const known = new Set(tabs.map(({ id }) => id));
    // What the browser does first, the page or the closing, is luck.
    for (let turn = 0; turn < 12; turn += 1) {
      await wish({ type: 'open-tab', window, document: tabs[0]?.document ?? '' });
      const opened = () => windows()[0]?.tabs.find(({ id }) => !known.has(id))?.id;
      await expect.poll(opened, { interval: 1 }).toBeDefined();
      await wish({ type: 'close-tab', window, tab: opened() ?? '' });
      await expect.poll(bars).toEqual(['berths stuck [tide]']);
    }
  });

  it('one that closed is opened again', async () => {
    await wish({ type: 'close-tab', ...tabCalled('tide') });
    await expect.poll(bars).toEqual(['berths [stuck]']);
    const entry = desk.session.ended.at(-1);
    expect(entry).toMatchObject({ kind: 'tab', application: 'browser' });
    await wish({ type: 'reopen', entry: entry?.id ?? '' });
    await expect.poll(bars).toEqual(['berths stuck [tide]']);
    expect(desk.session.ended.some(({ id }) => id === entry?.id)).toBe(false);
  });

  it('so is a window, with what it showed', async () => {
    await wish({ type: 'tear-off', ...tabCalled('tide') });
    await expect.poll(bars).toEqual(['[tide]', 'berths [stuck]']);
    await wish({ type: 'close', window: tabCalled('tide').window });
    await expect.poll(bars).toEqual(['berths [stuck]']);
    const entry = desk.session.ended.at(-1);
    expect(entry).toMatchObject({ kind: 'window' });
    await wish({ type: 'reopen', entry: entry?.id ?? '' });
    await expect.poll(bars).toEqual(['[tide]', 'berths [stuck]']);
    await expect.poll(() => desk.session.ended.some(({ id }) => id === entry?.id)).toBe(false);
    expect(
      await wish({ type: 'join', window: tabCalled('tide').window, into: tabCalled('stuck').window }),
    ).toEqual({ kind: 'done' });
    await expect.poll(bars).toEqual(['berths stuck [tide]']);
  });

  it('a page that asks first stays, and that is said', async () => {
    await wish({ type: 'go-to-tab', ...tabCalled('berths'), inFront: true });
    await expect.poll(inFront).toContain('berths');
    // Pages that nobody has touched may not ask.
    await display.keyboard.click(600, 600);
    await pause(300);
    expect(await wish({ type: 'close-tab', ...tabCalled('berths') })).toEqual({
      kind: 'refused',
      detail: '“berths” is still open: it may be asking something.',
    });
    expect(bars()).toEqual(['[berths] stuck tide']);
    await display.keyboard.tap('Escape');
  });

  it('a page that hangs is told, and not while it only asks', async () => {
    await desk.browsers?.askAll();
    expect(windows()[0]?.tabs.filter(({ hung }) => hung)).toEqual([]);
    await wish({ type: 'go-to-tab', ...tabCalled('stuck'), inFront: true });
    await expect.poll(inFront).toContain('stuck');
    await display.keyboard.click(600, 600);
    await display.keyboard.tap('KeyA');
    await pause(300);
    await desk.browsers?.askAll();
    await expect
      .poll(() =>
        windows()[0]
          ?.tabs.filter(({ hung }) => hung)
          .map(({ title }) => title),
      )
      .toEqual(['stuck']);
  });
});

describe('nothing of it is lost', () => {
  it('when the agent ends and another one comes: the browser goes on, its tabs are the same', async () => {
    const all = () => windows().map(({ id, tabs }) => [id, ...tabs.map((tab) => tab.id)]);
    const before = all();
    const closed = desk.session.ended.length;
    desk.browsers?.stop();
    await expect.poll(() => windows().map(({ tabs }) => tabs.length)).toEqual([1]);
    desk.browsers?.want(true);
    await expect.poll(all).toEqual(before);
    expect(desk.session.ended).toHaveLength(closed);
    await wish({ type: 'go-to-tab', ...tabCalled('tide'), inFront: true });
    await expect.poll(bars).toEqual(['berths stuck [tide]']);
  });

  it('a browser with a debugging port that somebody opened is followed, too; and lost with it', async () => {
    const other = display.run(program, [...flags('other'), '--remote-debugging-port=0', address('berths')]);
    await expect.poll(bars).toEqual(['[berths]', 'berths stuck [tide]']);
    const [window] = windows().filter(({ tabs }) => tabs.length === 1);
    await wish({ type: 'open-tab', window: window?.id ?? '', document: window?.tabs[0]?.document ?? '' });
    await expect.poll(() => windows().map(({ tabs }) => tabs.length)).toEqual([3, 2]);
    if (other.pid !== undefined) process.kill(-other.pid, 'SIGKILL');
    await expect.poll(bars).toEqual(['berths stuck [tide]']);
    expect(desk.session.host).toMatchObject({ abilities: expect.arrayContaining(['tear-off']) });
  });

  it('when they are not to be followed any more, each window is one thing again', async () => {
    await follow(false);
    await expect.poll(() => windows().map(({ tabs }) => tabs.length)).toEqual([1]);
    expect(desk.session.host).toMatchObject({ abilities: expect.not.arrayContaining(['tear-off']) });
  });
});
