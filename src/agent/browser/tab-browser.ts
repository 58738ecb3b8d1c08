import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { Geometry } from '../../lib/core/model/geometry';
import manifest from './extension/manifest.json?raw';
import page from './extension/tabs.html?raw';
import script from './extension/tabs.js?raw';
import type { BrowserWindow } from './matching';
import { NoAnswer, type BrowserWire } from './wire';

/** The hidden page calls this. */
const CHANGED = 'keyFoldChanged';
/** Changes are looked at so long, in ms, after the first of them: a page that loads makes many. */
const CALM_MS = 40;
/** A page that has not answered for so long, in ms, does not answer. */
const HUNG_MS = 3_000;
/** A page that was asked to close and is still there after so long, in ms, is asked again, and so often in all. */
const CLOSE_AGAIN_MS = 80;
const CLOSE_TRIES = 8;

/** A tab as its browser knows it. */
export interface BrowserTab {
  readonly id: number;
  readonly window: number;
  /** What the debugging protocol calls it. */
  readonly target: string | null;
  readonly title: string;
  readonly url: string;
  readonly shown: boolean;
  /** When it was used last, in ms since 1970. */
  readonly used: number;
}

/** How the windows and tabs of a browser are. */
export interface BrowserState {
  readonly windows: readonly BrowserWindow[];
  readonly tabs: readonly BrowserTab[];
}

/**
 * The tabs of one browser. A small extension of Key Fold's own is loaded into it and runs in a hidden page: of the tabs alone
 * the debugging protocol knows neither their order nor how to carry them, and would have to be attached to every page.
 */
export class TabBrowser {
  state: BrowserState = { windows: [], tabs: [] };
  /** Names this run of the browser: the numbers of its tabs begin anew with the next. */
  run = '';
  /** Pages that do not answer, by the numbers of their tabs. */
  readonly hung = new Set<number>();
  #session = '';
  #extension = '';
  #timer: ReturnType<typeof setTimeout> | null = null;
  #reading: Promise<void> = Promise.resolve();
  /** Pages that are asked whether they answer: the session of each target, and whether it shows a question. */
  readonly #asked = new Map<string, { readonly session: string; asking: boolean }>();

  private constructor(
    readonly wire: BrowserWire,
    readonly changed: () => void,
  ) {}

  /**
   * @param folder where the extension is written for the browser to load
   * @param changed is called when anything is different
   * @throws Error if the browser does not take the extension
   */
  static async open(wire: BrowserWire, folder: string, changed: () => void): Promise<TabBrowser> {
    const browser = new TabBrowser(wire, changed);
    await browser.#begin(folder);
    return browser;
  }

  /** Does one of the things that the hidden page can do. @throws Error with what the browser says */
  async do(name: string, ...args: readonly unknown[]): Promise<unknown> {
    const { result, exceptionDetails } = (await this.wire.send(
      'Runtime.evaluate',
      {
        expression: `keyFold.${name}(${args.map((arg) => JSON.stringify(arg)).join()})`,
        awaitPromise: true,
        returnByValue: true,
      },
      this.#session,
    )) as {
      result: { value?: unknown };
      exceptionDetails?: { text: string; exception?: { description?: string } };
    };
    if (exceptionDetails)
      throw new Error(exceptionDetails.exception?.description?.split('\n')[0] ?? exceptionDetails.text);
    return result.value;
  }

  /**
   * Asks a tab to close: what it shows may ask first. What a page hears while it is still coming is lost, so it is asked again
   * until it is gone, or asks itself.
   */
  async close(tab: BrowserTab): Promise<void> {
    for (let tries = 0; tries < CLOSE_TRIES; tries += 1) {
      if (await this.do('closeIfBlank', tab.id)) return;
      const asked = await this.#attach(tab);
      if (!asked || asked.asking) return;
      await this.wire.send('Page.close', {}, asked.session).catch(() => undefined);
      await pause(CLOSE_AGAIN_MS);
    }
  }

  /** Asks every page that a window shows whether it answers. */
  async askAll(): Promise<void> {
    const shown = this.state.tabs.filter((tab) => tab.shown);
    const before = [...this.hung].join();
    await Promise.all(shown.map((tab) => this.#ask(tab)));
    for (const id of this.hung) if (!shown.some((tab) => tab.id === id)) this.hung.delete(id);
    if ([...this.hung].join() !== before) this.changed();
  }

  /** Leaves the browser as it was before. */
  async leave(): Promise<void> {
    if (this.#timer) clearTimeout(this.#timer);
    await this.wire.send('Extensions.uninstall', { id: this.#extension }).catch(() => undefined);
    this.wire.close();
  }

  async #begin(folder: string): Promise<void> {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    for (const [name, text] of [
      ['manifest.json', manifest],
      ['tabs.html', page],
      ['tabs.js', script],
    ] as const)
      writeFileSync(join(folder, name), text);
    const { wire } = this;
    wire.onEvent(({ method, params, session }) => {
      if (method === 'Runtime.bindingCalled' && params.name === CHANGED) this.look();
      for (const asked of this.#asked.values())
        if (asked.session === session && method.startsWith('Page.javascriptDialog'))
          asked.asking = method === 'Page.javascriptDialogOpening';
    });
    const contexts = (await wire.send('Target.getBrowserContexts')) as { defaultBrowserContextId?: string };
    this.run = (contexts.defaultBrowserContextId ?? '').slice(0, 12).toLowerCase();
    const { id } = (await wire.send('Extensions.loadUnpacked', { path: folder })) as { id: string };
    this.#extension = id;
    const url = `chrome-extension://${id}/tabs.html`;
    const { targetId } = (await wire.send('Target.createTarget', { url, hidden: true })) as {
      targetId: string;
    };
    this.#session = await this.#sessionOf(targetId);
    // What it is bound to is told of only then.
    await wire.send('Runtime.enable', {}, this.#session);
    await wire.send('Runtime.addBinding', { name: CHANGED }, this.#session);
    await this.#loaded();
    await this.#read();
  }

  /** Until its script has run. */
  async #loaded(): Promise<void> {
    const expression = `new Promise((done) => {
      const look = () => (globalThis.keyFold ? done(true) : setTimeout(look, 5));
      look();
    })`;
    await this.wire.send('Runtime.evaluate', { expression, awaitPromise: true }, this.#session);
  }

  async #sessionOf(targetId: string): Promise<string> {
    const { sessionId } = (await this.wire.send('Target.attachToTarget', { targetId, flatten: true })) as {
      sessionId: string;
    };
    return sessionId;
  }

  /** Reads how everything is, and says that it may have changed; soon, and once for many changes. */
  look(): void {
    this.#timer ??= setTimeout(() => {
      this.#timer = null;
      // One after the other, so that what is read last is how it is.
      this.#reading = this.#reading
        .then(() => this.#read())
        .then(
          () => this.changed(),
          // A busy machine: what has changed has to be known all the same.
          (error) => {
            if (error instanceof NoAnswer) this.look();
          },
        );
    }, CALM_MS);
  }

  async #read(): Promise<void> {
    const { windows, tabs } = (await this.do('state')) as {
      windows: { id: number; box: Geometry; focused: boolean }[];
      tabs: BrowserTab[];
    };
    this.state = {
      windows: windows.map((window) => ({
        ...window,
        title: tabs.find((tab) => tab.window === window.id && tab.shown)?.title ?? '',
      })),
      tabs,
    };
    const targets = new Set(tabs.map(({ target }) => target));
    for (const target of this.#asked.keys()) if (!targets.has(target)) this.#asked.delete(target);
  }

  async #attach({
    target,
  }: BrowserTab): Promise<{ readonly session: string; readonly asking: boolean } | null> {
    if (target === null) return null;
    const before = this.#asked.get(target);
    if (before) return before;
    const session = await this.#sessionOf(target);
    const asked = { session, asking: false };
    this.#asked.set(target, asked);
    // A page that hangs answers to this neither.
    void this.wire.send('Page.enable', {}, session).catch(() => undefined);
    return asked;
  }

  async #ask(tab: BrowserTab): Promise<void> {
    try {
      const asked = await this.#attach(tab);
      if (!asked || asked.asking) return void this.hung.delete(tab.id);
      await this.wire.send('Runtime.evaluate', { expression: '0' }, asked.session, HUNG_MS);
      this.hung.delete(tab.id);
    } catch (error) {
      const asking = tab.target !== null && this.#asked.get(tab.target)?.asking === true;
      if (error instanceof NoAnswer && !asking) this.hung.add(tab.id);
    }
  }
}
