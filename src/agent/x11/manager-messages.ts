import type { Geometry } from '../../lib/core/model/geometry';
import type { XConnection } from './x-connection';

/** "The message comes from a pager, or another program that acts for the person" (EWMH 1.5, source indication). */
const FROM_PERSON = 2;
/** ICCCM 2.0, 4.1.4. */
const ICONIC = 3;
const [REMOVE, ADD] = [0, 1];
const ABOVE = 0;
const EVERYWHERE = 0xffffffff;
/** StaticGravity, all four values given, and who asks (EWMH 1.5, _NET_MOVERESIZE_WINDOW). */
const PLACE_FLAGS = 10 | 0xf00 | (FROM_PERSON << 12);

/** What a window manager is asked, as EWMH 1.5 and ICCCM 2.0 have it: each is a wish, and seen in what comes of it. */
export class ManagerMessages {
  constructor(readonly connection: XConnection) {}

  /** To the front, and back from being minimised. @param active the window that has the keys */
  async activate(xid: number, active: number | null): Promise<void> {
    const time = await this.connection.now();
    await this.#tell(xid, '_NET_ACTIVE_WINDOW', [FROM_PERSON, time, active ?? 0]);
  }

  /** Out of sight. */
  minimise(xid: number): Promise<void> {
    return this.#tell(xid, 'WM_CHANGE_STATE', [ICONIC]);
  }

  /** Over the whole screen, or not any more; not even without its frame then. */
  async maximise(xid: number, on: boolean): Promise<void> {
    await this.setStates(xid, on, 'MAXIMIZED_HORZ', 'MAXIMIZED_VERT');
    if (!on) await this.setStates(xid, false, 'FULLSCREEN');
  }

  /** At most two states at once, by their names after `_NET_WM_STATE_`. */
  async setStates(xid: number, on: boolean, ...names: readonly string[]): Promise<void> {
    const atoms = await Promise.all(names.map((name) => this.connection.atom(`_NET_WM_STATE_${name}`)));
    await this.#tell(xid, '_NET_WM_STATE', [on ? ADD : REMOVE, atoms[0] ?? 0, atoms[1] ?? 0, FROM_PERSON]);
  }

  /** @param place in pixels of the screen, without the frame */
  place(xid: number, { x, y, width, height }: Geometry): Promise<void> {
    return this.#tell(xid, '_NET_MOVERESIZE_WINDOW', [PLACE_FLAGS, x, y, width, height]);
  }

  /** Right above another one in the pile. */
  putAbove(xid: number, neighbour: number): Promise<void> {
    return this.#tell(xid, '_NET_RESTACK_WINDOW', [FROM_PERSON, neighbour, ABOVE]);
  }

  /** To another desktop; null: to all of them. */
  carry(xid: number, desktop: number | null): Promise<void> {
    return this.#tell(xid, '_NET_WM_DESKTOP', [desktop ?? EVERYWHERE, FROM_PERSON]);
  }

  /** Shows a desktop. */
  async enter(desktop: number): Promise<void> {
    const { connection } = this;
    await this.#tell(connection.root, '_NET_CURRENT_DESKTOP', [desktop, await connection.now()]);
  }

  /** Asks a window to close. */
  async close(xid: number): Promise<void> {
    await this.#tell(xid, '_NET_CLOSE_WINDOW', [await this.connection.now(), FROM_PERSON]);
  }

  #tell(window: number, type: string, data: readonly number[]): Promise<void> {
    return this.connection.tellManager(window, type, data);
  }
}
