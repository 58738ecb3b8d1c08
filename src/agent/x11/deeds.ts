/** What orders mean on a display, as ICCCM 2.0 and EWMH 1.5 have it: what is sent, and how it is seen to have come true. */
import type { Command } from '../../lib/core/commands/commands';
import { sameGeometry } from '../../lib/core/model/geometry';
import type { WindowId, WorkspaceId } from '../../lib/core/model/ids';
import { boxOn, type Placement } from '../../lib/core/placing/placement';
import type { SessionEvent } from '../../lib/core/session/session';
import { endProcess } from '../processes';
import type { InstalledPrograms } from '../programs';
import { ManagerMessages } from './manager-messages';
import { CannotBe, type Deed, type DeedMaker } from './deed';
import { HIDDEN_MARKS, HIDDEN_PROPERTY, type XWindow } from './read-window';
import { frontOf } from './telling';
import type { XDisplay } from './x-display';

/** So long, in ms, what comes next waits for what was sent to be seen. */
export const SEEN_MS = 250;

/** Makes deeds of orders. */
export class Deeds {
  readonly #messages: ManagerMessages;

  /** @param kept processes that are never ended */
  constructor(
    readonly display: XDisplay,
    readonly programs: InstalledPrograms,
    readonly kept: ReadonlySet<number>,
    /** Where programs are launched, as in `DISPLAY`. */
    readonly name: string,
    /** What does what no window manager can. */
    readonly beyond: DeedMaker = NOTHING,
  ) {
    this.#messages = new ManagerMessages(display.connection);
  }

  /** What brings an event about. @throws CannotBe if no display does that */
  making(event: SessionEvent): Deed {
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
        return this.beyond.making(event) ?? cannot(event.type);
    }
  }

  /** What is only asked for: whether it comes about is for a program to say. @throws CannotBe if no display does that */
  asking(command: Command): Deed {
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
        return (
          this.beyond.asking(command) ?? {
            send: () => this.programs.launch(command.application, this.name),
            done: () => true,
            otherwise: null,
          }
        );
      // Where its tabs are not known, all that it shows is one.
      case 'close-tab':
        return this.beyond.asking(command) ?? this.#closing([this.#window(command.window)]);
      default:
        return this.beyond.asking(command) ?? cannot(command.type);
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
      done: () => frontOf(this.display) === id || !this.display.find(id),
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
        else await this.#messages.minimise(window.xid);
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
          if (!window.minimised) await this.#messages.minimise(window.xid);
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
        if (window.maximised !== fill) await this.#messages.maximise(window.xid, fill);
        if (!fill) await this.#messages.place(window.xid, box);
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
        if (window) await this.#messages.carry(window.xid, desktop);
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
    return {
      send: () => this.#messages.enter(desktop),
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

  #activate({ xid }: XWindow): Promise<void> {
    return this.#messages.activate(xid, this.display.active);
  }

  /** Restores a window, which comes forward with that, and waits until it has: what is in front afterwards follows on it. */
  async #bringBack(window: XWindow): Promise<void> {
    await this.#activate(window);
    await this.display.until(() => {
      const now = this.display.find(window.id);
      return !now || (!now.minimised && this.display.active === now.xid);
    }, SEEN_MS);
  }

  /** From the bottom: each window that does not lie right above its lower neighbour is put there. */
  async #restack(now: readonly WindowId[], wanted: readonly WindowId[]): Promise<void> {
    const direct = this.display.restacks;
    let pile = now;
    for (const [n, id] of wanted.entries()) {
      const below = wanted[n - 1];
      const window = this.display.find(id);
      const neighbour = below === undefined ? undefined : this.display.find(below);
      if (!window || below === undefined || !neighbour || pile.indexOf(id) === pile.indexOf(below) + 1)
        continue;
      // Without that hint a window comes to the top by coming forward; so do all that follow.
      if (direct) await this.#messages.putAbove(window.xid, neighbour.xid);
      else if (!window.minimised) await this.#activate(window);
      const others = pile.filter((one) => one !== id);
      pile = others.toSpliced(direct ? others.indexOf(below) + 1 : others.length, 0, id);
    }
  }

  async #close({ xid, protocols }: XWindow): Promise<void> {
    if (this.display.manager?.supports.has('_NET_CLOSE_WINDOW')) return this.#messages.close(xid);
    if (!protocols.has('WM_DELETE_WINDOW')) throw new CannotBe('It cannot be asked to close, only ended.');
    const { connection } = this.display;
    await connection.tellClient(xid, 'WM_DELETE_WINDOW', [await connection.now()]);
  }
}

const NOTHING: DeedMaker = { making: () => null, asking: () => null };

function cannot(type: string): never {
  throw new CannotBe(`This display cannot do '${type}'.`);
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
