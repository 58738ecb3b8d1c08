/** A browser's tab, from the key to the page: a real browser, real keys, the agent and the server as they ship. */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { browserIn } from '../src/agent/panel';
import type { Wish } from '../src/lib/core/commands/commands';
import { batchOf } from '../testing/batches';
import { CarriedDisplay } from '../testing/display/carried-display';
import { XClient } from '../testing/display/x-client';

const TITLES = ['Tide tables', 'Berths', 'Radio log'];
const folder = join(tmpdir(), `key-fold-pages-${process.pid}`);
let desk: CarriedDisplay;
let other: XClient;

const active = () => desk.active();
const windows = async () => (await desk.session()).windows;
const tabs = async () => (await windows()).flatMap(({ tabs: all }) => all.map(({ title }) => title)).sort();
/** Searches from whatever is in front, and takes what is found first. */
async function find(...codes: string[]): Promise<void> {
  const { keyboard } = desk.display;
  await desk.chord('KeyQ');
  await expect.poll(active).toBe('Key Fold');
  await keyboard.tap(...codes, 'Enter');
}
async function wish(...wishes: Wish[]): Promise<void> {
  const now = new Date().toISOString();
  const batch = batchOf(...wishes);
  const response = await desk.ask('/api/sessions/display/commands', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...batch, commands: batch.commands.map((command) => ({ ...command, at: now })) }),
  });
  expect(response.ok).toBe(true);
}

beforeAll(async () => {
  mkdirSync(folder, { recursive: true });
  const pages = TITLES.map((title, n) => {
    const file = join(folder, `page-${n}.html`);
    writeFileSync(file, `<!doctype html><title>${title}</title>`);
    return pathToFileURL(file).href;
  });
  const asRoot = process.getuid?.() === 0 ? '--no-sandbox --test-type' : '';
  const exec = `${browserIn(process.env)} ${asRoot} --user-data-dir=${join(folder, 'profile')} --no-first-run --ozone-platform=x11 ${pages.join(' ')}`;
  const browser = `[Desktop Entry]\nType=Application\nName=Browser\nExec=${exec}\nStartupWMClass=Chromium\n`;
  desk = await CarriedDisplay.begin({ programs: { browser } });
  other = await XClient.open(desk.display.name, 'log');
  await other.show({ title: 'crew' });
  const { settings } = await desk.session();
  await wish({ type: 'change-settings', settings: { ...settings, browserTabs: true } });
});
afterAll(async () => {
  other.close();
  await desk.close();
  // The browser ends with its display, in its time.
  rmSync(folder, { recursive: true, force: true, maxRetries: 50, retryDelay: 100 });
});

it('a browser that is launched by search tells its tabs, and one that it does not show is reached by search', async () => {
  await expect.poll(active).toBe('crew');
  await find('KeyB', 'KeyR', 'KeyO', 'KeyW');
  await expect.poll(tabs).toEqual(['Berths', 'Radio log', 'Tide tables', 'crew']);
  await desk.chord('KeyS');
  await expect.poll(active).toBe('crew');
  await find('KeyB', 'KeyE', 'KeyR');
  await expect.poll(active).toMatch(/^Berths/);
  await desk.chord('KeyS');
  await expect.poll(active).toBe('crew');
});

it('the agent is killed: the browser and its tabs are there still, and a tab is reached once another agent is', async () => {
  desk.agent.kill();
  await desk.startAgent();
  // Until then the session has the tabs that the agent before told, or none.
  await desk.agent.says(/The tabs of the browser with process \d+ are followed/);
  await expect.poll(tabs).toEqual(['Berths', 'Radio log', 'Tide tables', 'crew']);
  await find('KeyR', 'KeyA', 'KeyD');
  await expect.poll(active).toMatch(/^Radio log/);
});

it('tabs are walked and closed while the hold key is down', async () => {
  const shown = async () => (await windows()).find(({ tabs: all }) => all.length > 1)?.activeTab;
  const before = await shown();
  await desk.display.keyboard.down('MetaLeft');
  await desk.display.keyboard.tap('KeyK');
  await expect.poll(shown).not.toBe(before);
  await desk.display.keyboard.tap('Semicolon');
  await expect.poll(async () => (await tabs()).length).toBe(3);
  await desk.display.keyboard.up('MetaLeft');
  await expect.poll(async () => (await desk.session()).ended.map(({ kind }) => kind)).toEqual(['tab']);
  // What has closed last is opened again.
  await wish({ type: 'reopen', entry: null });
  await expect.poll(tabs).toEqual(['Berths', 'Radio log', 'Tide tables', 'crew']);
  await expect.poll(async () => (await desk.session()).ended).toEqual([]);
});
