import { spawn, type ChildProcess } from 'node:child_process';
import { accessSync, constants, mkdirSync, writeFileSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import type { Readable } from 'node:stream';
import { pathToFileURL } from 'node:url';
import { doorTo } from '../lib/core/display/door';
import type { PanelStance } from '../lib/core/display/holding';
import type { Geometry } from '../lib/core/model/geometry';
import { ManagerMessages } from './x11/manager-messages';
import { OWN_CLASS, type XWindow } from './x11/read-window';
import type { XDisplay } from './x11/x-display';

/** Browsers by the names of their programs, the first one that there is is taken: engines that make windows of web pages. */
export const BROWSERS = ['chromium', 'chromium-browser'];
/** The window's size, where the screen has room for it, in pixels; and what is left free of a smaller screen. */
const SIZE = { width: 1180, height: 780 };
const MARGIN = 40;
/** A window that ends is opened again after so long, in ms. */
const AGAIN_MS = 2_000;
/** So long, in ms, a window may take to get the keys, and what was chosen to come forward. */
const RAISED_MS = 500;
const WISHED_MS = 1_000;
/** So long, in ms, it may take to go out of sight. */
const GONE_MS = 1_500;

/** What the panel's browser is started with. */
export interface PanelSettings {
  /** The page's address, with the access key. */
  readonly address: string;
  /** Where the browser keeps what it keeps. */
  readonly profile: string;
  readonly display: string;
  readonly say: (text: string) => void;
}

/**
 * Key Fold's own window on a display: a page of its own in a browser without a frame of controls, kept ready and out of
 * sight, above all others while it is wanted, and never in a list of windows.
 */
export class Panel {
  #browser: ChildProcess | null = null;
  #window: XWindow | null = null;
  #stance: PanelStance = 'away';
  /** What had the keys before. */
  #before: number | null = null;
  #closed = false;
  readonly #messages: ManagerMessages;
  #timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    readonly display: XDisplay,
    readonly settings: PanelSettings,
  ) {
    this.#messages = new ManagerMessages(display.connection);
  }

  /** Opens it; answers false where no browser is there to show it. */
  open(): boolean {
    const program = browserIn(process.env);
    if (program === null) return false;
    const { address, profile, display, say } = this.settings;
    // The address carries the access key.
    const door = join(profile, 'open.html');
    mkdirSync(profile, { recursive: true, mode: 0o700 });
    writeFileSync(door, doorTo(address), { mode: 0o600 });
    const child = spawn(
      program,
      [...FLAGS, `--class=${OWN_CLASS}`, `--user-data-dir=${profile}`, `--app=${pathToFileURL(door).href}`],
      {
        env: { ...process.env, DISPLAY: display },
        stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'],
      },
    );
    this.#browser = child;
    for (const pipe of child.stdio) pipe?.on('error', () => undefined);
    (child.stdio[4] as Readable | null)?.resume();
    child.once('error', (error) => say(`Key Fold's own window cannot be opened: ${error.message}`));
    child.once('exit', () => {
      if (this.#closed || this.#browser !== child) return;
      this.#timer = setTimeout(() => this.open(), AGAIN_MS);
    });
    return true;
  }

  /** Looks after its window, once anything on the display has changed. */
  follow(): void {
    const own = [...this.display.windows.values()].find(({ className }) => className === OWN_CLASS) ?? null;
    const fresh = own !== null && own.xid !== this.#window?.xid;
    this.#window = own;
    if (own && fresh) void this.#prepare(own);
  }

  /** Whether it has the keyboard. */
  get hasKeys(): boolean {
    return this.#window !== null && this.display.active === this.#window.xid;
  }

  /** Raises it, or puts it away; resolves once it has the keys, or within a short while if it does not get them. */
  async be(stance: PanelStance, wished: boolean): Promise<void> {
    const before = this.#stance;
    this.#stance = stance;
    const window = this.#window;
    if (!window) return;
    if (stance === 'away') return before === 'away' ? undefined : this.#withdraw(window, wished);
    // Something else may have come forward since.
    if (before !== 'away' && this.hasKeys) return;
    if (!this.hasKeys) this.#before = this.display.active;
    await this.#raise(window);
    await this.display.until(() => this.hasKeys, RAISED_MS);
  }

  /** Resolves once it is not to be seen, or within a short while if it stays. */
  async outOfSight(): Promise<void> {
    const window = this.#window;
    if (!window) return;
    const { connection } = this.display;
    await this.display.until(() => this.display.windows.get(window.xid)?.minimised ?? true, GONE_MS);
    // The manager takes what is round it away a moment later.
    for (
      const until = Date.now() + GONE_MS;
      Date.now() < until && (await connection.isViewable(window.xid));
    );
  }

  close(): void {
    this.#closed = true;
    clearTimeout(this.#timer);
    this.#browser?.kill();
  }

  /** Above others, on every workspace, in no list; then out of sight. */
  async #prepare(window: XWindow): Promise<void> {
    const messages = this.#messages;
    await messages.setStates(window.xid, true, 'ABOVE', 'SKIP_TASKBAR');
    await messages.setStates(window.xid, true, 'SKIP_PAGER');
    await messages.carry(window.xid, null);
    await messages.place(window.xid, this.#place());
    if (this.#stance === 'away') await this.#withdraw(window, false);
  }

  #place(): Geometry {
    const { screen } = this.display.connection;
    const width = Math.min(SIZE.width, screen.width - MARGIN);
    const height = Math.min(SIZE.height, screen.height - MARGIN);
    return {
      x: Math.round((screen.width - width) / 2),
      y: Math.round((screen.height - height) / 3),
      width,
      height,
    };
  }

  #raise({ xid }: XWindow): Promise<void> {
    return this.#messages.activate(xid, this.display.active);
  }

  /**
   * Minimised: its picture is kept, and it is back sooner than a window that is opened. Another window has the keys before
   * that: a browser whose window goes away under the pointer while it has them believes that it has them still. As a rule
   * something was chosen and comes forward; else what was in front before does.
   */
  async #withdraw({ xid }: XWindow, wished: boolean): Promise<void> {
    if (this.hasKeys && !(wished && (await this.display.until(() => !this.hasKeys, WISHED_MS)))) {
      const before = this.#before === null ? undefined : this.display.windows.get(this.#before);
      if (before && !before.minimised) {
        await this.#raise(before);
        await this.display.until(() => !this.hasKeys, RAISED_MS);
      }
    }
    // Wanted again meanwhile.
    if (this.#stance !== 'away') return;
    await this.display.connection.takeKeysFrom(xid);
    await this.#messages.minimise(xid);
  }
}

/** Quiet, without a first run's questions, and not slowed down while it is out of sight. */
const FLAGS = [
  // It ends with that pipe, so with the agent, however that ends; another one's would come up in it instead of on its own.
  '--remote-debugging-pipe',
  '--no-first-run',
  '--no-default-browser-check',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--password-store=basic',
  '--disable-background-timer-throttling',
  '--disable-renderer-backgrounding',
  '--disable-backgrounding-occluded-windows',
  '--ozone-platform=x11',
  // It refuses to run as root otherwise.
  ...(process.getuid?.() === 0 ? ['--no-sandbox', '--test-type'] : []),
];

/** The browser of the panel: the one that the environment names, else the first that is installed; null for none. */
export function browserIn({ PATH = '', KEY_FOLD_BROWSER }: NodeJS.ProcessEnv): string | null {
  if (KEY_FOLD_BROWSER) return KEY_FOLD_BROWSER;
  const files = BROWSERS.flatMap((name) => PATH.split(delimiter).map((folder) => join(folder, name)));
  return files.find(isProgram) ?? null;
}

function isProgram(file: string): boolean {
  try {
    accessSync(file, constants.X_OK);
    return true;
  } catch {
    return false;
  }
}
