import type { ToldApplication, ToldTab, ToldTabs } from '../../lib/core/display/told';
import type { XWindow } from '../x11/read-window';
import { listedOf } from '../x11/telling';
import type { XDisplay } from '../x11/x-display';
import { BROWSERS } from '../panel';
import { ClosedTabs } from './closed-tabs';
import { doorOf } from './doors';
import { matched } from './matching';
import { TabBrowser, type BrowserTab } from './tab-browser';
import { BrowserWire } from './wire';

/** How often pages are asked whether they answer, and a browser that could not be reached is tried again, in ms. */
const ASK_MS = 10_000;
const AGAIN_MS = 1_000;
/** So long, in ms, a window of a browser may take until the display has it, too, and how often that is looked for. */
const MATCHED_MS = 1_000;
const LOOK_MS = 200;

/** A tab, its browser, and the windows of that by their numbers on the display. */
export interface FoundTab {
  readonly browser: TabBrowser;
  readonly tab: BrowserTab;
}

/** A browser that is followed. */
interface Followed {
  readonly pid: number;
  readonly browser: TabBrowser;
  /** Its windows' numbers on the display, by its own. */
  windows: ReadonlyMap<number, number>;
  /** The ids of its windows, by its own numbers. */
  ids: ReadonlyMap<number, string>;
  /** What was told of it last, by id: what is not there any more has closed. */
  told: ReadonlyMap<string, BrowserTab>;
  /** Its windows that the display had when it was looked at last. */
  shown: string;
  /** Since when a window of it is not found on the display. */
  unmatchedSince: number | null;
}

/**
 * The browsers of a display whose tabs can be followed: those that were started by this agent, and those with a debugging port
 * that a person opened. What is known of them stands beside what the display tells of their windows.
 */
export class Browsers {
  readonly #followed = new Map<number, Followed>();
  /** Processes that have no door, or are being tried, or are tried again later. */
  readonly #tried = new Set<number>();
  readonly #closed = new ClosedTabs();
  /** Why a process could not be reached: said once. */
  readonly #unreached = new Map<number, string>();
  #wanted = false;
  #timer: ReturnType<typeof setInterval> | null = null;
  #soon: ReturnType<typeof setTimeout> | undefined;

  constructor(
    readonly display: XDisplay,
    /** Where the extension is written. */
    readonly folder: string,
    /** Hears that there is a first one, or none any more. */
    readonly changed: () => void,
    readonly say: (text: string) => void,
  ) {}

  /** Whether the tabs of some browser are known. */
  get any(): boolean {
    return this.#followed.size > 0;
  }

  /** Whether tabs are wanted at all. */
  get wanted(): boolean {
    return this.#wanted;
  }

  /** Follows browsers from now on, or leaves them all as they were before. */
  want(wanted: boolean): void {
    if (wanted === this.#wanted) return;
    this.#wanted = wanted;
    if (wanted) {
      this.#timer = setInterval(() => void this.askAll(), ASK_MS);
      this.#timer.unref();
      return this.follow();
    }
    this.#rest();
    for (const followed of this.#followed.values()) void followed.browser.leave();
    for (const followed of [...this.#followed.values()]) this.#lose(followed);
  }

  /** Lets go of them; they are met again by whoever comes next. */
  stop(): void {
    this.#wanted = false;
    this.#rest();
    for (const { browser } of this.#followed.values()) browser.wire.close();
  }

  /** Looks for browsers and their windows, once anything on the display has changed. */
  follow(): void {
    if (!this.#wanted) return;
    const pids = new Set(listedOf(this.display).flatMap(({ pid }) => pid ?? []));
    for (const pid of this.#tried) if (!pids.has(pid)) this.#tried.delete(pid);
    for (const pid of pids)
      if (!this.#followed.has(pid) && !this.#tried.has(pid)) {
        this.#tried.add(pid);
        void this.#meet(pid);
      }
    for (const followed of this.#followed.values()) {
      const shown = this.#shownOf(followed).join();
      if (shown === followed.shown && followed.unmatchedSince === null) continue;
      followed.shown = shown;
      // What the browser said before may be of a window that is gone.
      followed.browser.look();
    }
  }

  /** The tab with this id. */
  tab(id: string): FoundTab | undefined {
    for (const { browser, told } of this.#followed.values()) {
      const tab = told.get(id);
      if (tab) return { browser, tab };
    }
    return undefined;
  }

  /** The browser of a window, and the window's number there. */
  windowOf({ xid }: XWindow): { readonly browser: TabBrowser; readonly window: number } | undefined {
    for (const { browser, windows } of this.#followed.values())
      for (const [window, shown] of windows) if (shown === xid) return { browser, window };
    return undefined;
  }

  /**
   * Opens again what has closed; null: what closed last. What closed before this agent began is what the browser says closed
   * last. @throws Error if there is nothing
   */
  async reopen(entry: string | null): Promise<void> {
    const closed = this.#closed.find(entry);
    const id = closed?.id ?? entry;
    const followed = this.#followed.get(closed?.pid ?? 0) ?? [...this.#followed.values()].at(-1);
    const tabs = ((await followed?.browser.do('reopen', closed?.urls ?? [])) ?? []) as number[];
    if (!followed || tabs.length === 0) throw new Error('The browser does not know it any more.');
    const back = tabs.map((tab) => tabId(followed.browser, tab));
    if (id !== null) this.#closed.isBackAs(id, back);
    followed.browser.look();
  }

  async #meet(pid: number): Promise<void> {
    try {
      const door = await doorOf(pid);
      if (!door) return this.#sayUnknown(pid);
      if (!this.#wanted) return;
      const wire = await BrowserWire.open(door);
      const browser = await TabBrowser.open(wire, this.folder, () => {
        const followed = this.#followed.get(pid);
        if (followed) this.#tell(followed);
      }).catch((error: unknown) => {
        wire.close();
        throw error;
      });
      if (!this.#wanted) return void browser.leave();
      const followed: Followed = {
        pid,
        browser,
        windows: new Map(),
        ids: new Map(),
        told: new Map(),
        shown: '',
        unmatchedSince: null,
      };
      this.#followed.set(pid, followed);
      this.#unreached.delete(pid);
      this.say(`The tabs of the browser with process ${pid} are followed.`);
      void wire.gone.then(() => this.#lose(followed));
      this.#tell(followed);
      if (this.#followed.size === 1) this.changed();
    } catch (error) {
      const why = error instanceof Error ? error.message : 'it would not';
      if (this.#unreached.get(pid) !== why) this.say(`The tabs of process ${pid} are not known: ${why}`);
      this.#unreached.set(pid, why);
      this.#tryAgain(pid);
    }
  }

  #sayUnknown(pid: number): void {
    const { programs, windows } = this.display;
    const isBrowser = ({ id }: ToldApplication) => programs.runs(id, BROWSERS);
    if (
      [...windows.values()].some((window) => window.pid === pid && isBrowser(programs.applicationOf(window)))
    )
      this.say(
        `A browser (process ${pid}) was not started from Key Fold: its tabs are not known before it has been closed and launched from there.`,
      );
  }

  /** Later: it may have just begun, or be gone and nobody has told yet. */
  #tryAgain(pid: number): void {
    setTimeout(() => {
      this.#tried.delete(pid);
      this.follow();
    }, AGAIN_MS).unref();
  }

  #lose(followed: Followed): void {
    if (this.#followed.get(followed.pid) !== followed) return;
    this.#followed.delete(followed.pid);
    this.#tryAgain(followed.pid);
    this.display.setTabs([...followed.windows.values()].map((xid) => [xid, undefined]));
    if (this.#followed.size === 0) this.changed();
  }

  #rest(): void {
    if (this.#timer) clearInterval(this.#timer);
    clearTimeout(this.#soon);
  }

  /** Asks every page that can be seen whether it answers. */
  async askAll(): Promise<void> {
    await Promise.all([...this.#followed.values()].map(({ browser }) => browser.askAll()));
  }

  /**
   * Tells how the tabs of a browser are. While the display does not have one of its windows nothing is told: a tab that was
   * carried there has not closed.
   */
  #tell(followed: Followed): void {
    const { browser, windows: before } = followed;
    const { display } = this;
    const shown = this.#shownOf(followed)
      .flatMap((xid) => display.windows.get(xid) ?? [])
      .map(({ xid, geometry, title }) => ({ xid, geometry, title, active: display.active === xid }));
    followed.windows = matched(browser.state.windows, shown, before);
    const all = browser.state.windows.every(({ id }) => followed.windows.has(id));
    followed.unmatchedSince = all ? null : (followed.unmatchedSince ?? performance.now());
    if (!all && performance.now() - (followed.unmatchedSince ?? 0) < MATCHED_MS) {
      clearTimeout(this.#soon);
      this.#soon = setTimeout(() => this.follow(), LOOK_MS);
      this.#soon.unref();
      return;
    }
    this.#noteClosed(followed);
    const tabs = new Map<number, ToldTabs>();
    for (const [window, xid] of followed.windows) {
      const told = this.#toldTabs(browser, window);
      if (told) tabs.set(xid, told);
    }
    const gone = [...before.values()].filter((xid) => !tabs.has(xid));
    display.setTabs([...gone.map((xid) => [xid, undefined] as const), ...tabs]);
  }

  /** The windows of a browser that the display has. */
  #shownOf({ pid }: Followed): number[] {
    return listedOf(this.display)
      .filter((window) => window.pid === pid)
      .map(({ xid }) => xid);
  }

  /** What was told and is not there any more; a window that closed is remembered as such. */
  #noteClosed(followed: Followed): void {
    const { browser, pid, told } = followed;
    const now = new Map(browser.state.tabs.map((tab) => [tabId(browser, tab.id), tab]));
    followed.told = now;
    const open = new Set(browser.state.windows.map(({ id }) => id));
    const windows = new Map<number, BrowserTab[]>();
    for (const [id, tab] of told) {
      if (now.has(id)) continue;
      this.#closed.forget(id);
      if (open.has(tab.window)) this.#closed.remember({ id, pid, urls: [tab.url] });
      else windows.set(tab.window, [...(windows.get(tab.window) ?? []), tab]);
    }
    for (const [window, tabs] of windows) {
      const id = followed.ids.get(window);
      if (id !== undefined) this.#closed.remember({ id, pid, urls: tabs.map(({ url }) => url) });
    }
    followed.ids = new Map(
      [...followed.windows].flatMap(([window, xid]) => {
        const id = this.display.windows.get(xid)?.id ?? followed.ids.get(window);
        return id === undefined ? [] : [[window, id] as const];
      }),
    );
  }

  #toldTabs(browser: TabBrowser, window: number): ToldTabs | null {
    const tabs = browser.state.tabs.filter((tab) => tab.window === window);
    const shown = tabs.find((tab) => tab.shown);
    if (!shown) return null;
    const list = tabs.map(({ id, title, url }): ToldTab => {
      const was = this.#closed.whatWas(tabId(browser, id));
      return {
        id: tabId(browser, id),
        title: title || url,
        answering: !browser.hung.has(id),
        ...(was !== undefined && { was }),
      };
    });
    const recent = tabs.toSorted((a, b) => Number(b.shown) - Number(a.shown) || b.used - a.used);
    return {
      list,
      shown: tabId(browser, shown.id),
      recent: recent.map(({ id }) => tabId(browser, id)),
    };
  }
}

/** What a tab is called: its own while its browser runs, and no other one's later. */
const tabId = ({ run }: TabBrowser, tab: number): string => `t-${run}-${tab}`;
