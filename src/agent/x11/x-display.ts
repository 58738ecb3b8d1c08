import type { ResourceExtension, XEvent } from 'x11';
import type { ToldTabs, ToldWorkspace } from '../../lib/core/display/told';
import { sameGeometry } from '../../lib/core/model/geometry';
import { runningManager, type Manager } from './manager';
import { HIDDEN_PROPERTY, isListed, WindowReader, type XWindow } from './read-window';
import {
  listedOf,
  orderOf,
  pileOf,
  windowsOf,
  workspaceId,
  workspacesOf,
  type DisplayState,
  type Programs,
  type Telling,
} from './telling';
import { WindowNotes } from './window-notes';
import { EVENTS, XConnection } from './x-connection';

/** Titles and places that change many times a second are read this often, in ms; all else at once. */
const CALM_MS = 50;

/** What of a window can change. */
type Aspect = 'title' | 'standing' | 'desktop' | 'geometry' | 'names' | 'noted';
/** What of the whole can change. */
type Whole = 'clients' | 'stacking' | 'active' | 'desktops' | 'manager';

/** Properties of the root window, and what changes with them. */
const OF_ROOT: Readonly<Record<string, Whole>> = {
  _NET_CLIENT_LIST: 'clients',
  _NET_CLIENT_LIST_STACKING: 'stacking',
  _NET_ACTIVE_WINDOW: 'active',
  _NET_CURRENT_DESKTOP: 'desktops',
  _NET_NUMBER_OF_DESKTOPS: 'desktops',
  _NET_DESKTOP_NAMES: 'desktops',
  _NET_SUPPORTING_WM_CHECK: 'manager',
  _NET_SUPPORTED: 'manager',
};
/** Properties of windows, and what changes with them. */
const OF_WINDOWS: Readonly<Record<string, Aspect>> = {
  _NET_WM_NAME: 'title',
  WM_NAME: 'title',
  WM_CLASS: 'names',
  _NET_WM_STATE: 'standing',
  WM_STATE: 'standing',
  [HIDDEN_PROPERTY]: 'standing',
  _NET_WM_DESKTOP: 'desktop',
};
const CALM: ReadonlySet<Aspect> = new Set(['title', 'geometry']);

/** What hears of a display. */
export interface DisplayListener {
  changed(telling: Telling): void;
  /** A manager came, or the one there was went: null. */
  managed(manager: Manager | null): void;
  /** Something could not be read. */
  failed(error: unknown): void;
}

/**
 * The windows of an X display, by ICCCM and EWMH, as they are now. What changes is read again after it was told to have
 * changed, one round after the other, so that what is read last is how it is.
 */
export class XDisplay implements DisplayState {
  /** The windows that people switch to, and others; by their number at the server. */
  readonly windows = new Map<number, XWindow>();
  /** All windows from the bottom of the pile to the top. */
  stacking: readonly number[] = [];
  /** The window that has the keys, though it may not be among those that are listed. */
  active: number | null = null;
  desktop = 0;
  workspaces: readonly ToldWorkspace[] = [];
  manager: Manager | null = null;

  readonly #reader: WindowReader;
  readonly #rootAtoms = new Map<number, Whole>();
  readonly #windowAtoms = new Map<number, Aspect>();
  readonly #notes = new WindowNotes();
  #whole = new Set<Whole>();
  #aspects = new Map<number, Set<Aspect>>();
  #calmTimer: ReturnType<typeof setTimeout> | null = null;
  #reading: Promise<void> = Promise.resolve();
  #due = false;
  readonly #waiting = new Set<() => void>();

  private constructor(
    readonly connection: XConnection,
    readonly programs: Programs,
    readonly listener: DisplayListener,
    resources: ResourceExtension | null,
  ) {
    this.#reader = new WindowReader(connection, resources);
  }

  /** @param name as in `DISPLAY`. @throws if there is no such display, or it lets nobody in */
  static async open(name: string, programs: Programs, listener: DisplayListener): Promise<XDisplay> {
    const connection = await XConnection.open(name);
    const resources = await connection.tried<ResourceExtension>((done) =>
      connection.client.require('res', (error, extension) => void done(error, extension)),
    );
    const display = new XDisplay(connection, programs, listener, resources);
    await display.#begin();
    return display;
  }

  /** Whether the manager can put a window anywhere in the pile. */
  get restacks(): boolean {
    return this.manager?.supports.has('_NET_RESTACK_WINDOW') ?? false;
  }

  /** Whether some window has the keys. */
  get hasActive(): boolean {
    return this.active !== null && this.windows.has(this.active);
  }

  /** Whether some window could have them. */
  get hasShown(): boolean {
    return listedOf(this).some(
      ({ minimised, desktop }) => !minimised && (desktop ?? this.desktop) === this.desktop,
    );
  }

  /** The window with this id, while it is there. */
  find(id: string): XWindow | undefined {
    for (const window of this.windows.values()) if (window.id === id) return window;
    return undefined;
  }

  /** The windows of an application, bottom first. */
  of(application: string): XWindow[] {
    return pileOf(this).filter((window) => this.programs.applicationOf(window).id === application);
  }

  /** The process of the display's server; null where it does not say. */
  serverPid(): Promise<number | null> {
    return this.#reader.pid(this.connection.root);
  }

  /** Whether a window answered when it was asked last. */
  isAnswering(xid: number): boolean {
    return this.#notes.isAnswering(xid);
  }

  /** Notes whether a window answers. */
  setAnswering(xid: number, answering: boolean): void {
    if (this.#notes.setAnswering(xid, answering)) this.#touch(xid, 'noted');
  }

  /** The tabs of a window, where they are known. */
  tabsOf(xid: number): ToldTabs | undefined {
    return this.#notes.tabsOf(xid);
  }

  /** Notes which tabs some windows have; they are told together, so that a tab that goes from one to another does not close. */
  setTabs(all: Iterable<readonly [xid: number, tabs: ToldTabs | undefined]>): void {
    for (const [xid, tabs] of all) if (this.#notes.setTabs(xid, tabs)) this.#touch(xid, 'noted');
  }

  /** Resolves once `holds` does, looked at after every change; false if it does not within so many ms. */
  until(holds: () => boolean, ms: number): Promise<boolean> {
    if (holds()) return Promise.resolve(true);
    return new Promise((resolve) => {
      const end = (answer: boolean) => {
        clearTimeout(timer);
        this.#waiting.delete(look);
        resolve(answer);
      };
      const look = () => holds() && end(true);
      const timer = setTimeout(() => end(false), ms);
      this.#waiting.add(look);
    });
  }

  /**
   * Resolves once the manager has done what it was sent before, and that is read: it answers in order, and is asked what
   * frame it would give a window of ours (EWMH 1.5, _NET_REQUEST_FRAME_EXTENTS). One that does not know that, or does not
   * answer within so many ms, keeps nobody waiting: then what is read may be of before.
   */
  async caughtUp(ms: number): Promise<void> {
    const { connection } = this;
    if (this.manager?.supports.has('_NET_REQUEST_FRAME_EXTENTS')) {
      const [own, extents] = [connection.ownWindow(), await connection.atom('_NET_FRAME_EXTENTS')];
      await new Promise<void>((resolve) => {
        const end = () => {
          clearTimeout(timer);
          stop();
          resolve();
        };
        const timer = setTimeout(end, ms);
        const stop = connection.onEvent(
          (event) => event.name === 'PropertyNotify' && event.wid === own && event.atom === extents && end(),
        );
        void connection.tellManager(own, '_NET_REQUEST_FRAME_EXTENTS', []);
      });
    }
    while (this.#due) await this.#reading;
    await this.#reading;
  }

  close(): void {
    if (this.#calmTimer) clearTimeout(this.#calmTimer);
    this.connection.close();
  }

  async #begin(): Promise<void> {
    const { connection } = this;
    for (const [name, whole] of Object.entries(OF_ROOT))
      this.#rootAtoms.set(await connection.atom(name), whole);
    for (const [name, aspect] of Object.entries(OF_WINDOWS))
      this.#windowAtoms.set(await connection.atom(name), aspect);
    connection.onEvent((event) => this.#on(event));
    // First this, then reading: what happens in between is read twice, and never missed.
    connection.client.ChangeWindowAttributes(connection.root, {
      eventMask: EVENTS.PropertyChange | EVENTS.SubstructureNotify,
    });
    this.#whole.add('manager');
    this.#read();
    await this.#reading;
  }

  #on(event: XEvent): void {
    const { root } = this.connection;
    switch (event.name) {
      case 'PropertyNotify': {
        const whole = this.#rootAtoms.get(event.atom ?? 0);
        if (whole === 'manager' || (whole && event.wid === root)) return this.#touchWhole(whole);
        const aspect = this.#windowAtoms.get(event.atom ?? 0);
        if (aspect) this.#touch(event.wid, aspect);
        return;
      }
      case 'ConfigureNotify':
        return this.#touch(event.wid1 ?? event.wid, 'geometry');
      case 'DestroyNotify':
        if (event.wid === this.manager?.check) this.#touchWhole('manager');
        return;
    }
  }

  #touchWhole(whole: Whole): void {
    this.#whole.add(whole);
    this.#read();
  }

  #touch(xid: number, aspect: Aspect): void {
    if (!this.windows.has(xid)) return;
    const aspects = this.#aspects.get(xid) ?? new Set();
    this.#aspects.set(xid, aspects.add(aspect));
    if (!CALM.has(aspect)) return this.#read();
    this.#calmTimer ??= setTimeout(() => {
      this.#calmTimer = null;
      this.#read();
    }, CALM_MS);
  }

  /** Reads what has changed, after what is being read. */
  #read(): void {
    if (this.#due) return;
    this.#due = true;
    this.#reading = this.#reading
      .then(async () => {
        this.#due = false;
        const [whole, aspects] = [this.#whole, this.#aspects];
        this.#whole = new Set();
        this.#aspects = new Map();
        await this.#round(whole, aspects);
        for (const look of [...this.#waiting]) look();
      })
      .catch((error: unknown) => this.listener.failed(error));
  }

  async #round(whole: ReadonlySet<Whole>, aspects: ReadonlyMap<number, ReadonlySet<Aspect>>): Promise<void> {
    if (whole.has('manager') && (await this.#meetManager())) return;
    const gone: string[] = [];
    const changed = new Set<number>();
    if (whole.has('clients')) await this.#readClients(changed, gone);
    for (const [xid, which] of aspects) if (await this.#readAspects(xid, which, gone)) changed.add(xid);
    const restacked = (whole.has('stacking') || whole.has('clients')) && (await this.#readStacking());
    const activated = whole.has('active') && (await this.#readActive());
    const desks = whole.has('desktops') && (await this.#readDesktops());
    const telling: Telling = {
      ...(desks && workspacesOf(this)),
      ...windowsOf(this, changed),
      ...(gone.length > 0 && { gone }),
      ...((restacked || activated || changed.size > 0) && orderOf(this)),
    };
    if (Object.keys(telling).length > 0) this.listener.changed(telling);
  }

  /** Reads everything, if another manager runs than before; answers whether that is so. */
  async #meetManager(): Promise<boolean> {
    const before = this.manager;
    const now = await runningManager(this.connection);
    if (now?.check === before?.check && now?.supports.size === before?.supports.size) return false;
    this.manager = now;
    if (now) {
      const gone: string[] = [];
      await this.#readClients(new Set(), gone);
      // What was said of windows while no manager was there may be wrong.
      for (const xid of [...this.windows.keys()]) await this.#readAspects(xid, ALL_ASPECTS, gone);
      await this.#readStacking();
      await this.#readActive();
      await this.#readDesktops();
    }
    this.listener.managed(now);
    return true;
  }

  async #readClients(changed: Set<number>, gone: string[]): Promise<void> {
    const { connection } = this;
    const list = new Set((await connection.numbers(connection.root, '_NET_CLIENT_LIST')) ?? []);
    for (const [xid, window] of this.windows) if (!list.has(xid)) this.#lose(window, gone);
    const fresh = [...list].filter((xid) => !this.windows.has(xid));
    const eventMask = EVENTS.PropertyChange | EVENTS.StructureNotify;
    for (const xid of fresh) connection.client.ChangeWindowAttributes(xid, { eventMask });
    // Side by side: the server answers in order, and what one asks for does not wait for the others.
    for (const window of await Promise.all(fresh.map((xid) => this.#reader.whole(xid)))) {
      if (!window) continue;
      this.windows.set(window.xid, window);
      changed.add(window.xid);
    }
  }

  #lose(window: XWindow, gone: string[]): void {
    this.windows.delete(window.xid);
    this.#notes.forget(window.xid);
    this.#reader.forget(window);
    gone.push(window.id);
  }

  /** Answers whether anything is different. A window that is left out of lists from now on is gone. */
  async #readAspects(xid: number, aspects: ReadonlySet<Aspect>, gone: string[]): Promise<boolean> {
    const before = this.windows.get(xid);
    if (!before) return false;
    const [title, names, standing, desktop, geometry] = await Promise.all([
      aspects.has('title') ? this.#reader.title(xid) : before.title,
      aspects.has('names') ? this.#reader.names(xid) : ([before.instance, before.className] as const),
      aspects.has('standing') ? this.#reader.standing(xid) : before,
      aspects.has('desktop') ? this.#reader.desktop(xid) : before.desktop,
      aspects.has('geometry') ? this.#reader.geometry(xid) : before.geometry,
    ]);
    const [instance, className] = names;
    const { minimised, mark, maximised, skipped } = standing;
    const now: XWindow = {
      ...before,
      title,
      instance,
      className,
      minimised,
      mark,
      maximised,
      skipped,
      desktop,
      geometry: geometry ?? before.geometry,
    };
    this.windows.set(xid, now);
    // Brought back by somebody: what it was when its application was hidden means nothing any more.
    if (before.minimised && !now.minimised && now.mark !== null)
      await this.connection.removeProperty(xid, HIDDEN_PROPERTY);
    if (isListed(before) && !isListed(now)) gone.push(now.id);
    return aspects.has('noted') || !isSame(before, now);
  }

  async #readStacking(): Promise<boolean> {
    const { connection } = this;
    const now =
      (await connection.numbers(connection.root, '_NET_CLIENT_LIST_STACKING')) ??
      (await connection.numbers(connection.root, '_NET_CLIENT_LIST')) ??
      [];
    const same = now.length === this.stacking.length && now.every((xid, n) => xid === this.stacking[n]);
    this.stacking = now;
    return !same;
  }

  async #readActive(): Promise<boolean> {
    const { connection } = this;
    const now = (await connection.number(connection.root, '_NET_ACTIVE_WINDOW')) || null;
    if (now === this.active) return false;
    this.active = now;
    return true;
  }

  async #readDesktops(): Promise<boolean> {
    const { connection } = this;
    const [current, count, names] = await Promise.all([
      connection.number(connection.root, '_NET_CURRENT_DESKTOP'),
      connection.number(connection.root, '_NET_NUMBER_OF_DESKTOPS'),
      connection.text(connection.root, '_NET_DESKTOP_NAMES'),
    ]);
    const named = names?.split('\0') ?? [];
    this.desktop = current ?? 0;
    this.workspaces = Array.from({ length: Math.max(1, count ?? 1, this.desktop + 1) }, (_, n) => ({
      id: workspaceId(n),
      name: named[n]?.trim() || String(n + 1),
    }));
    return true;
  }
}

const ALL_ASPECTS: ReadonlySet<Aspect> = new Set(['title', 'names', 'standing', 'desktop', 'geometry']);

const isSame = (a: XWindow, b: XWindow): boolean =>
  a.title === b.title &&
  a.instance === b.instance &&
  a.className === b.className &&
  a.minimised === b.minimised &&
  a.mark === b.mark &&
  a.maximised === b.maximised &&
  a.skipped === b.skipped &&
  a.desktop === b.desktop &&
  sameGeometry(a.geometry, b.geometry);
