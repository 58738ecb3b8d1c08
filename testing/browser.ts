/** Debian's Chromium, and someone at its keyboard. */
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';
import type { SessionDocument } from '../src/lib/core/formats/session-document';
import type { Session } from '../src/lib/core/session/session';

const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export const launchChromium = (args: readonly string[] = []): Promise<Browser> =>
  chromium.launch({ executablePath: '/usr/bin/chromium', args: [...CHROMIUM_FLAGS, ...args] });

/** Stores a new session and answers with its id. */
export async function createSession(document: SessionDocument, url: string): Promise<string> {
  const response = await fetch(`${url}/api/sessions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(document),
  });
  if (response.status !== 201) throw new Error(`The session was not stored: ${await response.text()}`);
  return ((await response.json()) as { id: string }).id;
}

/** What the server knows of a session. */
export async function storedSession(id: string, url: string): Promise<{ session: Session; seq: number }> {
  const response = await fetch(`${url}/api/sessions/${id}`);
  return (await response.json()) as { session: Session; seq: number };
}

/** One page on one session, as seen and used from outside. */
export class PageUser {
  constructor(
    readonly page: Page,
    readonly session: string,
    readonly url: string,
    readonly errors: string[],
  ) {}

  /** Holds Alt, taps the keys one after the other, and lets go. `S`, `Shift+X`, `ArrowDown` … */
  async chord(...keys: string[]): Promise<this> {
    await this.hold(...keys);
    await this.release();
    return this;
  }

  async hold(...keys: string[]): Promise<this> {
    await this.page.keyboard.down('Alt');
    for (const key of keys)
      await this.page.keyboard.press(/^[A-Z]$/.test(key) ? `Key${key}` : key.replace(/\+([A-Z])$/, '+Key$1'));
    return this;
  }

  async release(): Promise<this> {
    await this.page.keyboard.up('Alt');
    return this;
  }

  async press(...keys: string[]): Promise<this> {
    for (const key of keys) await this.page.keyboard.press(key);
    return this;
  }

  get switcher() {
    return this.page.getByRole('dialog', { name: 'Switcher' });
  }

  get rows() {
    return this.switcher.getByRole('row');
  }

  /** The names of the switcher's rows as the browser tells them to a screen reader, in that order. */
  async rowNames(): Promise<string[]> {
    const devtools = await this.page.context().newCDPSession(this.page);
    const { nodes } = await devtools.send('Accessibility.getFullAXTree');
    await devtools.detach();
    const byId = new Map(nodes.map((node) => [node.nodeId, node]));
    const namesBelow = (id: string | undefined): string[] => {
      const node = id === undefined ? undefined : byId.get(id);
      if (!node) return [];
      const own = !node.ignored && node.role?.value === 'row' ? [String(node.name?.value)] : [];
      return [...own, ...(node.childIds ?? []).flatMap(namesBelow)];
    };
    return namesBelow(nodes[0]?.nodeId);
  }

  get selectedLeaf() {
    return this.switcher.getByRole('gridcell', { selected: true });
  }

  get front() {
    return this.page.locator('[role=region][aria-current=true], section[aria-current=true]');
  }

  /** The accessible name of the front window; empty when nothing is in front. */
  async frontName(): Promise<string> {
    return (await this.front.count()) === 0 ? '' : ((await this.front.getAttribute('aria-label')) ?? '');
  }

  window(name: string) {
    return this.page.getByRole('region', { name, exact: true });
  }

  /** Where one writes in a window. */
  text(window: string) {
    return this.page.locator(`#window-${window} :is([role=textbox], textarea)`);
  }

  /** What is written in a window, line by line; while it only rests there, what it shows. */
  written(window: string): Promise<string> {
    return this.page.locator(`#window-${window}`).evaluate((element) => {
      const lines = [...element.querySelectorAll('p')].map(({ textContent }) => textContent);
      return element.querySelector('textarea')?.value ?? lines.join('\n');
    });
  }

  /** How many letters are before the caret of a window. */
  caretIn(window: string): Promise<number> {
    return this.text(window).evaluate((text) => {
      if (text instanceof HTMLTextAreaElement) return text.selectionStart;
      const selection = getSelection();
      if (!selection?.anchorNode || !text.contains(selection.anchorNode)) return -1;
      const before = document.createRange();
      before.selectNodeContents(text);
      before.setEnd(selection.anchorNode, selection.anchorOffset);
      return before.toString().length;
    });
  }

  /** Waits until the server has everything. */
  async sent(): Promise<this> {
    await this.page.locator('[data-unsent="0"]').waitFor();
    return this;
  }

  async reload(): Promise<this> {
    await this.page.reload();
    await this.page.getByRole('main').waitFor();
    return this;
  }
}

/** A page on a session; errors in its console are collected. */
export async function openPageIn(
  context: BrowserContext,
  session: string,
  url: string,
  { coached = false } = {},
): Promise<PageUser> {
  const page = await context.newPage();
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(String(error)));
  page.on('console', (message) => {
    const network = message.text().includes('Failed to load resource') || message.text().includes('net::ERR');
    if (message.type() === 'error' && !network) errors.push(message.text());
  });
  // What the coach says depends on how quickly a test goes on: it speaks where it is meant.
  if (!coached)
    await page.addInitScript(() => localStorage.setItem('key-fold/coach', JSON.stringify({ on: false })));
  await page.goto(`${url}/sessions/${session}`);
  await page.getByRole('main').waitFor();
  return new PageUser(page, session, url, errors);
}
