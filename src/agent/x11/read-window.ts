import { randomUUID } from 'node:crypto';
import { hostname } from 'node:os';
import type { DrawableGeometry, ResourceExtension } from 'x11';
import type { Geometry } from '../../lib/core/model/geometry';
import type { XConnection } from './x-connection';

/** Our property on each window: its id, which outlives this agent. */
export const ID_PROPERTY = '_KEY_FOLD_WINDOW';
/** Our property on windows that are out of sight because their application was hidden, and what it says. */
export const HIDDEN_PROPERTY = '_KEY_FOLD_HIDDEN';
/** Until then it was shown, or it was minimised already. */
export const HIDDEN_MARKS = { shown: 1, minimised: 2 } as const;
/** The class of Key Fold's own window, which is never in its list. */
export const OWN_CLASS = 'key-fold';

const MARKS = ['shown', 'minimised'] as const satisfies readonly (keyof typeof HIDDEN_MARKS)[];
const ID = /^[a-z][a-z0-9-]{0,60}$/;
const ICONIC = 3;
const EVERYWHERE = 0xffffffff;
/** Kinds of windows that nobody switches to (EWMH 1.5, _NET_WM_WINDOW_TYPE). */
const NOT_SWITCHED_TO: ReadonlySet<string> = new Set(
  [
    'DESKTOP',
    'DOCK',
    'TOOLBAR',
    'MENU',
    'SPLASH',
    'DROPDOWN_MENU',
    'POPUP_MENU',
    'TOOLTIP',
    'NOTIFICATION',
    'COMBO',
    'DND',
  ].map((type) => `_NET_WM_WINDOW_TYPE_${type}`),
);

/** How a window is. */
export interface WindowStanding {
  readonly minimised: boolean;
  /** Minimised because its application was hidden: what it was until then. Of no meaning for what is not minimised. */
  readonly mark: keyof typeof HIDDEN_MARKS | null;
  readonly maximised: boolean;
  /** Whether it wants to be left out of lists of windows. */
  readonly skipped: boolean;
}

/** A window of the display. */
export interface XWindow extends WindowStanding {
  readonly xid: number;
  readonly id: string;
  readonly title: string;
  /** WM_CLASS: how it was started, and what it is. */
  readonly instance: string;
  readonly className: string;
  /** Its number; null: it is on all of them. */
  readonly desktop: number | null;
  readonly geometry: Geometry;
  /** Its process, if it runs on this machine. */
  readonly pid: number | null;
  readonly protocols: ReadonlySet<string>;
  readonly type: string;
}

/** Whether people switch to it. */
export const isListed = ({ skipped, type, className }: XWindow): boolean =>
  !skipped && !NOT_SWITCHED_TO.has(type) && className !== OWN_CLASS;

/** Reads what windows are, aspect by aspect: a window that goes away meanwhile reads as null. */
export class WindowReader {
  readonly #taken = new Map<string, number>();

  constructor(
    readonly connection: XConnection,
    readonly resources: ResourceExtension | null,
  ) {}

  async whole(xid: number): Promise<XWindow | null> {
    const { connection } = this;
    const [geometry, standing, title, [instance, className], desktop, pid, protocols, types] =
      await Promise.all([
        this.geometry(xid),
        this.standing(xid),
        this.title(xid),
        this.names(xid),
        this.desktop(xid),
        this.pid(xid),
        connection.atomNames(xid, 'WM_PROTOCOLS'),
        connection.atomNames(xid, '_NET_WM_WINDOW_TYPE'),
      ]);
    if (!geometry) return null;
    const id = await this.#id(xid);
    return {
      xid,
      id,
      title,
      instance,
      className,
      ...standing,
      desktop,
      geometry,
      pid,
      protocols: new Set(protocols),
      type: types[0] ?? '',
    };
  }

  async title(xid: number): Promise<string> {
    const named = await this.connection.text(xid, '_NET_WM_NAME');
    return named ?? (await this.connection.text(xid, 'WM_NAME')) ?? '';
  }

  async names(xid: number): Promise<[instance: string, className: string]> {
    const [instance = '', className = ''] = ((await this.connection.text(xid, 'WM_CLASS')) ?? '').split('\0');
    return [instance, className];
  }

  async standing(xid: number): Promise<WindowStanding> {
    const [names, state, mark] = await Promise.all([
      this.connection.atomNames(xid, '_NET_WM_STATE'),
      this.connection.number(xid, 'WM_STATE'),
      this.connection.number(xid, HIDDEN_PROPERTY),
    ]);
    const has = (name: string) => names.includes(`_NET_WM_STATE_${name}`);
    return {
      // Iconic alone holds with some managers for windows of other desktops, too.
      minimised: has('HIDDEN') || (names.length === 0 && state === ICONIC),
      mark: MARKS.find((name) => HIDDEN_MARKS[name] === mark) ?? null,
      maximised: has('FULLSCREEN') || (has('MAXIMIZED_VERT') && has('MAXIMIZED_HORZ')),
      skipped: has('SKIP_TASKBAR'),
    };
  }

  async desktop(xid: number): Promise<number | null> {
    const desktop = await this.connection.number(xid, '_NET_WM_DESKTOP');
    return desktop === EVERYWHERE ? null : desktop;
  }

  /** Where it is on the screen with its own border, whatever frames are around it: as it is placed. */
  async geometry(xid: number): Promise<Geometry | null> {
    const { client, root } = this.connection;
    const [extent, place] = await Promise.all([
      this.connection.tried<DrawableGeometry>((done) => client.GetGeometry(xid, done)),
      this.connection.tried<{ destX: number; destY: number }>((done) =>
        client.TranslateCoordinates(xid, root, 0, 0, done),
      ),
    ]);
    return extent && place
      ? {
          x: place.destX - extent.borderWidth,
          y: place.destY - extent.borderWidth,
          width: extent.width,
          height: extent.height,
        }
      : null;
  }

  /** Forgets a window: its id may be given to another one that says it is it. */
  forget({ id, xid }: XWindow): void {
    if (this.#taken.get(id) === xid) this.#taken.delete(id);
  }

  /** Its own from the first time that it is seen; the numbers of the server are used again. */
  async #id(xid: number): Promise<string> {
    const known = (await this.connection.text(xid, ID_PROPERTY)) ?? '';
    const owner = this.#taken.get(known);
    const id = ID.test(known) && (owner === undefined || owner === xid) ? known : `w-${randomUUID()}`;
    this.#taken.set(id, xid);
    if (id !== known) await this.connection.setText(xid, ID_PROPERTY, id);
    return id;
  }

  /** What the server knows of its client is better than what the client says of itself. */
  async pid(xid: number): Promise<number | null> {
    const { resources, connection } = this;
    if (resources) {
      const mask = resources.ClientIdMask.LocalClientPID;
      const ids = await connection.tried<readonly { readonly value?: readonly number[] }[]>((done) =>
        resources.QueryClientIds([{ client: xid, mask }], done),
      );
      const pid = ids?.[0]?.value?.[0];
      if (pid) return pid;
    }
    const [pid, machine] = await Promise.all([
      connection.number(xid, '_NET_WM_PID'),
      connection.text(xid, 'WM_CLIENT_MACHINE'),
    ]);
    return machine === null || machine.replace(/\0.*$/s, '') === hostname() ? pid : null;
  }
}
