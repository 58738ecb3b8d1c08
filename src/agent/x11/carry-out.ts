/** Orders for a display as ICCCM 2.0 and EWMH 1.5 have them: what is sent, and how it is seen to have come true. */
import type { Command } from '../../lib/core/commands/commands';
import type { Order } from '../../lib/core/host/order';
import { sameGeometry, type Geometry } from '../../lib/core/model/geometry';
import type { WindowId, WorkspaceId } from '../../lib/core/model/ids';
import { boxOn, type Placement } from '../../lib/core/placing/placement';
import type { SessionEvent } from '../../lib/core/session/session';
import { raised } from '../../lib/core/slices/front/selectors';
import type { Settlement } from '../../lib/core/slices/under-way/state';
import { endProcess } from '../processes';
import type { InstalledPrograms } from '../programs';
import { HIDDEN_MARKS, HIDDEN_PROPERTY, type XWindow } from './read-window';
import { workspaceId, type XDisplay } from './x-display';

/** So long, in ms, it may take until what was ordered can be seen; the server waits no longer than a second. */
const PATIENCE_MS = 850;
/** So long, in ms, what comes next waits for what was sent to be seen. */
const SEEN_MS = 250;

/** "The message comes from a pager, or another program that acts for the person" (EWMH 1.5, source indication). */
const FROM_PERSON = 2;
const ICONIC = 3;
const ABOVE = 0;
/** StaticGravity, all four values given, and who asks (EWMH 1.5, _NET_MOVERESIZE_WINDOW). */
const PLACE_FLAGS = 10 | 0xf00 | (FROM_PERSON << 12);

/** Thrown where something cannot be done: it says why. */
class CannotBe extends Error {}

/** One part of what was ordered. */
interface Deed {
  send(): Promise<void>;
  /** Whether it has come true. */
  done(): boolean;
  /** What is said if it has not in time; null where that is no failure: how it is now is told in any case. */
  readonly otherwise: string | null;
}

/** A deed that is done once it was seen to be: what comes later may undo it. */
class Seen {
  #seen = false;

  constructor(readonly deed: Deed) {}

  send(): Promise<void> {
    return this.deed.send();
  }

  seen(): boolean {
    return (this.#seen ||= this.deed.done());
  }

  get otherwise(): string | null {
    return this.deed.otherwise;
  }
}

/** Carries out orders on a display. */
export class Orders {
  #turn: Promise<void> = Promise.resolve();
  #moving = 0;
  #current: string | null = null;
  /** Batches that have not ended: what was only asked for may still come. */
  readonly #open = new Set<string>();

  /** @param kept processes that are never ended */
  constructor(
    readonly display: XDisplay,
    readonly programs: InstalledPrograms,
    readonly kept: ReadonlySet<number>,
    readonly name: string,
  ) {}

  /** The batch that what happens now is most likely the doing of; null if none is under way. */
  get cause(): string | null {
    const [oldest = null] = this.#open;
    return this.#current ?? oldest;
  }

  /** Whether windows come forward on the way to something else: what is in front meanwhile is not said. */
  get moving(): boolean {
    return this.#moving > 0;
  }

  /**
   * Carries out the orders of a batch after those of earlier ones; resolves once what they mean can be seen, or not in time.
   *
   * One thing after the other, and each is seen before the next is sent: what has to be sent follows from how things are,
   * and no manager says when it has done something. What is only asked for keeps nothing waiting.
   */
  async carryOut(batch: string, orders: readonly Order[]): Promise<Settlement> {
    const began = performance.now();
    const travels =
      orders.length > 1 || orders.some((order) => 'make' in order && order.make.type !== 'window-fronted');
    const deeds: Seen[] = [];
    const turn = this.#turn.then(async () => {
      if (travels) this.#moving += 1;
      this.#current = batch;
      try {
        for (const order of this.#withOrder(orders)) {
          const deed = new Seen('make' in order ? this.#making(order.make) : this.#asking(order.ask));
          deeds.push(deed);
          await deed.send();
          if ('ask' in order) continue;
          await this.display.caughtUp(SEEN_MS);
          await this.display.until(() => deed.seen(), SEEN_MS);
        }
      } finally {
        this.#current = null;
        if (travels) this.#moving -= 1;
      }
    });
    this.#turn = turn.catch(() => undefined);
    this.#open.add(batch);
    try {
      await turn;
      const left = Math.max(0, PATIENCE_MS - (performance.now() - began));
      await this.display.until(() => deeds.every((deed) => deed.seen()), left);
      const failed = deeds.find((deed) => deed.otherwise !== null && !deed.seen());
      return failed ? { kind: 'refused', detail: failed.otherwise ?? '' } : { kind: 'done' };
    } catch (error) {
      return { kind: 'refused', detail: error instanceof Error ? error.message : 'The display would not.' };
    } finally {
      this.#open.delete(batch);
    }
  }

  /** Whether the manager can put a window anywhere in the pile. */
  get #restacks(): boolean {
    return this.display.manager?.supports.has('_NET_RESTACK_WINDOW') ?? false;
  }

  /**
   * What is restored comes forward on the way, and when something goes away a manager brings forward what it thinks right.
   * Unless it is said how all lies afterwards, it lies as it did; and if windows were restored and nothing else is to be in
   * front, what is there now is.
   */
  #withOrder(orders: readonly Order[]): readonly Order[] {
    const makes = orders.flatMap((order) => ('make' in order ? [order.make] : []));
    const has = (...types: SessionEvent['type'][]) => makes.some(({ type }) => types.includes(type));
    const restores = has('windows-restored', 'applications-shown');
    if (!restores && !has('windows-minimised', 'applications-hidden', 'windows-carried', 'workspace-entered'))
      return orders;
    const { front, stacking = [] } = this.display.order();
    const fronted = makes.flatMap((make) => (make.type === 'window-fronted' ? [make.window] : []));
    const stays = front && !makes.some((make) => this.#takesAway(make, front)) ? front : null;
    const ahead = fronted.at(-1) ?? stays;
    const fronting: readonly Order[] =
      restores && !has('window-fronted') && ahead !== null
        ? [{ make: { type: 'window-fronted', window: ahead, at: '' } }]
        : [];
    // What was restored may lie on another workspace, which is shown with it.
    const back: readonly Order[] =
      restores && !has('workspace-entered')
        ? [{ make: { type: 'workspace-entered', workspace: workspaceId(this.display.desktop) } }]
        : [];
    const coming = ahead === null || fronted.length > 0 ? fronted : [ahead];
    const said = makes.findLast((make) => make.type === 'windows-restacked')?.stacking;
    const pile = coming.reduce((under, id) => raised(under, [id]), said ?? stacking);
    // Said before anything was restored, it does not hold any more.
    const restacking: readonly Order[] =
      (said && !restores) || !this.#restacks ? [] : [{ make: { type: 'windows-restacked', stacking: pile } }];
    const last = orders.findLastIndex((order) => 'make' in order && order.make.type === 'window-fronted');
    const split = last < 0 ? orders.length : last;
    return [...orders.slice(0, split), ...back, ...orders.slice(split), ...fronting, ...restacking];
  }

  /** Whether an event puts a window out of sight. */
  #takesAway(event: SessionEvent, id: WindowId): boolean {
    if (event.type === 'windows-minimised') return event.windows.includes(id);
    const window = this.display.find(id);
    return (
      event.type === 'applications-hidden' &&
      window !== undefined &&
      event.applications.includes(this.programs.applicationOf(window).id)
    );
  }

  #making(event: SessionEvent): Deed {
    switch (event.type) {
      case 'window-fronted':
        return this.#fronting(event.window);
      case 'windows-minimised':
        return all(this.#bottomFirst(event.windows).map((id) => this.#minimising(id)));
      case 'windows-restored':
        return all(this.#bottomFirst(event.windows).map((id) => this.#restoring(id)));
      case 'applications-hidden':
        return all(event.applications.map((application) => this.#hiding(application)));
      case 'applications-shown':
        return all(event.applications.map((application) => this.#showing(application)));
      case 'windows-placed':
        return all(event.places.map((place) => this.#placing(place.window, place)));
      case 'windows-restacked':
        return this.#restacking(event.stacking);
      case 'windows-carried':
        return all(event.windows.map((id) => this.#carrying(id, event.workspace)));
      case 'workspace-entered':
        return this.#entering(event.workspace);
      case 'workspace-renamed':
        return this.#renaming(event.workspace, event.name);
      default:
        throw new CannotBe(`This display cannot do '${event.type}'.`);
    }
  }

  #asking(command: Command): Deed {
    switch (command.type) {
      case 'close':
        return this.#closing([this.#window(command.window)]);
      case 'close-all':
      case 'quit':
        return this.#closing(this.display.of(command.application));
      case 'end-now':
        return this.#ending(this.display.of(command.application));
      case 'switch-to-application':
      case 'open-window':
        return {
          send: () => this.programs.launch(command.application, this.name),
          done: () => true,
          otherwise: null,
        };
      default:
        throw new CannotBe(`This display cannot do '${command.type}'.`);
    }
  }

  /** So that what is in front goes last, and comes last: nothing else is brought forward in its place. */
  #bottomFirst(windows: readonly WindowId[]): WindowId[] {
    const { stacking } = this.display;
    const at = (id: WindowId) => stacking.indexOf(this.display.find(id)?.xid ?? 0);
    return windows.toSorted((a, b) => at(a) - at(b));
  }

  #fronting(id: WindowId): Deed {
    return {
      send: () => this.#activate(this.#window(id)),
      done: () => this.display.front === id || !this.display.find(id),
      otherwise: 'The window manager did not bring it to the front.',
    };
  }

  #minimising(id: WindowId): Deed {
    return {
      send: async () => {
        const window = this.display.find(id);
        if (!window) return;
        if (this.#isHidden(window)) await this.#mark(window, 'minimised');
        // One that is minimised stays so; and it may have been restored just now.
        else await this.#minimise(window);
      },
      done: () => {
        const window = this.display.find(id);
        return !window || (window.minimised && (window.mark !== 'shown' || !this.#isHidden(window)));
      },
      otherwise: 'The window manager did not minimise it.',
    };
  }

  #restoring(id: WindowId): Deed {
    return {
      send: async () => {
        const window = this.display.find(id);
        if (!window?.minimised) return;
        if (this.#isHidden(window)) await this.#mark(window, 'shown');
        else await this.#bringBack(window);
      },
      done: () => {
        const window = this.display.find(id);
        return !window?.minimised || (window.mark === 'shown' && this.#isHidden(window));
      },
      otherwise: 'The window manager did not restore it.',
    };
  }

  /** Whether it is out of sight because its application is hidden: then its mark says what it is besides. */
  #isHidden(window: XWindow): boolean {
    const { id } = this.programs.applicationOf(window);
    return this.display.of(id).every(({ minimised, mark }) => minimised && mark !== null);
  }

  #mark({ xid }: XWindow, mark: keyof typeof HIDDEN_MARKS): Promise<void> {
    return this.display.connection.setNumbers(xid, HIDDEN_PROPERTY, 'CARDINAL', [HIDDEN_MARKS[mark]]);
  }

  /** By minimising what is shown, bottom first; what each window was until then is noted on it. */
  #hiding(application: string): Deed {
    return {
      send: async () => {
        for (const window of this.display.of(application)) {
          await this.#mark(window, window.minimised ? 'minimised' : 'shown');
          if (!window.minimised) await this.#minimise(window);
        }
      },
      done: () => this.display.of(application).every(({ minimised, mark }) => minimised && mark !== null),
      otherwise: 'The window manager did not minimise all of its windows.',
    };
  }

  /** Bottom first, so that they lie as they did. */
  #showing(application: string): Deed {
    return {
      send: async () => {
        const windows = this.display.of(application);
        for (const window of windows)
          if (window.minimised && window.mark === 'shown') await this.#bringBack(window);
        for (const { xid } of windows) await this.display.connection.removeProperty(xid, HIDDEN_PROPERTY);
      },
      done: () => this.display.of(application).every(({ mark }) => mark === null),
      otherwise: 'The window manager did not restore its windows.',
    };
  }

  #placing(id: WindowId, placement: Placement): Deed {
    const before = this.display.find(id);
    const { screen } = this.display.connection;
    const box = boxOn(screen, { ...placement, on: placement.on ?? screen });
    const fill = placement.part === 'whole';
    return {
      send: async () => {
        const window = this.display.find(id);
        if (!window) return;
        if (window.maximised !== fill) await this.#maximise(window, fill);
        if (!fill) await this.#place(window, box);
      },
      done: () => {
        const now = this.display.find(id);
        if (!now || !before) return true;
        return fill
          ? now.maximised
          : sameGeometry(now.geometry, box) || !sameGeometry(now.geometry, before.geometry);
      },
      // Terminals keep to whole letters, and some windows to a proportion.
      otherwise: null,
    };
  }

  #restacking(stacking: readonly WindowId[]): Deed {
    const wanted = () => stacking.filter((id) => this.display.find(id));
    const now = () => {
      const known = new Map([...this.display.windows.values()].map(({ xid, id }) => [xid, id]));
      const named = new Set(stacking);
      return this.display.stacking.flatMap((xid) => known.get(xid) ?? []).filter((id) => named.has(id));
    };
    return {
      send: () => this.#restack(now(), wanted()),
      done: () => now().join() === wanted().join(),
      otherwise: null,
    };
  }

  #carrying(id: WindowId, workspace: WorkspaceId): Deed {
    const desktop = desktopOf(workspace);
    return {
      send: async () => {
        const window = this.display.find(id);
        if (window) await this.#tell(window.xid, '_NET_WM_DESKTOP', [desktop, FROM_PERSON]);
      },
      done: () => {
        const window = this.display.find(id);
        return !window || window.desktop === desktop || window.desktop === null;
      },
      otherwise: 'The window manager did not carry it there.',
    };
  }

  #entering(workspace: WorkspaceId): Deed {
    const desktop = desktopOf(workspace);
    const { connection } = this.display;
    return {
      send: async () =>
        this.#tell(connection.root, '_NET_CURRENT_DESKTOP', [desktop, await connection.now()]),
      done: () => this.display.desktop === desktop,
      otherwise: 'The window manager did not go to that workspace.',
    };
  }

  #renaming(workspace: WorkspaceId, name: string): Deed {
    const { connection, workspaces } = this.display;
    const names = workspaces.map((one) => (one.id === workspace ? name : one.name));
    return {
      send: () => connection.setText(connection.root, '_NET_DESKTOP_NAMES', `${names.join('\0')}\0`),
      done: () => this.display.workspaces.some((one) => one.id === workspace && one.name === name),
      otherwise: 'The window manager did not take the name.',
    };
  }

  /** A close is a wish: a window may ask first, and what it asks no display tells. */
  #closing(windows: readonly XWindow[]): Deed {
    const ids = windows.map(({ id }) => id);
    const open = () => ids.flatMap((id) => this.display.find(id) ?? []);
    return {
      send: async () => {
        for (const window of windows) await this.#close(window);
      },
      // The manager then gives the keys to another one.
      done: () => open().length === 0 && (this.display.hasActive || !this.display.hasShown),
      get otherwise() {
        const [first] = open();
        return `“${first?.title ?? ''}” is still open: it may be asking something.`;
      },
    };
  }

  #ending(windows: readonly XWindow[]): Deed {
    const ids = windows.map(({ id }) => id);
    return {
      send: async () => {
        const pids = new Set(windows.flatMap(({ pid }) => pid ?? []));
        for (const pid of pids) await endProcess(pid, this.kept);
        // What runs elsewhere: the connection of its client, and all that is on it.
        for (const { pid, xid } of windows) if (pid === null) this.display.connection.client.KillClient(xid);
      },
      done: () => ids.every((id) => !this.display.find(id)),
      otherwise: 'It was ended, but its windows are still there.',
    };
  }

  #window(id: WindowId): XWindow {
    const window = this.display.find(id);
    if (!window) throw new CannotBe('That window is no longer there.');
    return window;
  }

  async #activate({ xid }: XWindow): Promise<void> {
    const { connection, active } = this.display;
    await this.#tell(xid, '_NET_ACTIVE_WINDOW', [FROM_PERSON, await connection.now(), active ?? 0]);
  }

  /** Restores a window, which comes forward with that, and waits until it has: what is in front afterwards follows on it. */
  async #bringBack(window: XWindow): Promise<void> {
    await this.#activate(window);
    await this.display.until(() => {
      const now = this.display.find(window.id);
      return !now || (!now.minimised && this.display.active === now.xid);
    }, SEEN_MS);
  }

  #minimise({ xid }: XWindow): Promise<void> {
    return this.#tell(xid, 'WM_CHANGE_STATE', [ICONIC]);
  }

  async #maximise({ xid }: XWindow, on: boolean): Promise<void> {
    const { connection } = this.display;
    const [across, down, full] = await Promise.all(
      ['MAXIMIZED_HORZ', 'MAXIMIZED_VERT', 'FULLSCREEN'].map((name) =>
        connection.atom(`_NET_WM_STATE_${name}`),
      ),
    );
    await this.#tell(xid, '_NET_WM_STATE', [on ? 1 : 0, across ?? 0, down ?? 0, FROM_PERSON]);
    if (!on) await this.#tell(xid, '_NET_WM_STATE', [0, full ?? 0, 0, FROM_PERSON]);
  }

  #place({ xid }: XWindow, { x, y, width, height }: Geometry): Promise<void> {
    return this.#tell(xid, '_NET_MOVERESIZE_WINDOW', [PLACE_FLAGS, x, y, width, height]);
  }

  /** From the bottom: each window that does not lie right above its lower neighbour is put there. */
  async #restack(now: readonly WindowId[], wanted: readonly WindowId[]): Promise<void> {
    const direct = this.#restacks;
    let pile = now;
    for (const [n, id] of wanted.entries()) {
      const below = wanted[n - 1];
      const window = this.display.find(id);
      const neighbour = below === undefined ? undefined : this.display.find(below);
      if (!window || below === undefined || !neighbour || pile.indexOf(id) === pile.indexOf(below) + 1)
        continue;
      // Without that hint a window comes to the top by coming forward; so do all that follow.
      if (direct) await this.#tell(window.xid, '_NET_RESTACK_WINDOW', [FROM_PERSON, neighbour.xid, ABOVE]);
      else if (!window.minimised) await this.#activate(window);
      const others = pile.filter((one) => one !== id);
      pile = others.toSpliced(direct ? others.indexOf(below) + 1 : others.length, 0, id);
    }
  }

  async #close({ xid, protocols }: XWindow): Promise<void> {
    const { connection, manager } = this.display;
    const time = await connection.now();
    if (manager?.supports.has('_NET_CLOSE_WINDOW'))
      return this.#tell(xid, '_NET_CLOSE_WINDOW', [time, FROM_PERSON]);
    if (!protocols.has('WM_DELETE_WINDOW')) throw new CannotBe('It cannot be asked to close, only ended.');
    await connection.tellClient(xid, 'WM_DELETE_WINDOW', [time]);
  }

  #tell(window: number, type: string, data: readonly number[]): Promise<void> {
    return this.display.connection.tellManager(window, type, data);
  }
}

/** Several as one, one after the other. */
const all = (deeds: readonly Deed[]): Deed => ({
  send: async () => {
    for (const deed of deeds) await deed.send();
  },
  done: () => deeds.every((deed) => deed.done()),
  get otherwise() {
    return deeds.find((deed) => !deed.done() && deed.otherwise !== null)?.otherwise ?? null;
  },
});

/** The number of a workspace. @throws CannotBe for one that no display told */
function desktopOf(workspace: WorkspaceId): number {
  const number = Number(/^ws-(\d+)$/.exec(workspace)?.[1]) - 1;
  if (!(number >= 0)) throw new CannotBe('There is no such workspace on this display.');
  return number;
}
