import type { XEvent } from 'x11';
import type { Geometry } from '../../src/lib/core/model/geometry';
import { ID_PROPERTY } from '../../src/agent/x11/read-window';
import { positionOf } from './keyboard';
import { XConnection } from '../../src/agent/x11/x-connection';

/** What a window of a test is like. */
export interface ClientWindow {
  readonly title: string;
  /** The id that Key Fold knows it by; it makes one up if there is none. */
  readonly id?: string;
  readonly box?: Geometry;
}

/** X11 protocol, SETofEVENT. */
const KEY_PRESS_MASK = 1;
const SMALL: Geometry = { x: 40, y: 40, width: 300, height: 200 };

/** A program of a display, for tests: its windows close when they are asked to, unless they are told not to. */
export class XClient {
  /** Whether its windows go on when they are asked to close, as those do that have a question. */
  asks = false;
  /** The keys that were pressed in its windows, by their positions. */
  readonly pressed: string[] = [];

  private constructor(
    readonly connection: XConnection,
    readonly className: string,
  ) {}

  static async open(display: string, className: string): Promise<XClient> {
    const client = new XClient(await XConnection.open(display), className);
    const protocols = await client.connection.atom('WM_PROTOCOLS');
    const remove = await client.connection.atom('WM_DELETE_WINDOW');
    client.connection.onEvent((event: XEvent) => {
      if (event.name === 'KeyPress') client.pressed.push(positionOf(event.keycode));
      if (event.name !== 'ClientMessage' || event.message_type !== protocols || event.data?.[0] !== remove)
        return;
      if (!client.asks) client.connection.client.DestroyWindow(event.wid);
    });
    return client;
  }

  /** Makes a window and has it shown. */
  async show({ title, id, box = SMALL }: ClientWindow): Promise<number> {
    const { connection, className } = this;
    const { client, root } = connection;
    const window = client.AllocID();
    const { x, y, width, height } = box;
    client.CreateWindow(window, root, x, y, width, height, 0, 0, 1, 0, {
      backgroundPixel: 0xfffdf7,
      eventMask: KEY_PRESS_MASK,
    });
    const wmClass = Buffer.from(`${className.toLowerCase()}\0${className}\0`, 'latin1');
    client.ChangeProperty(
      0,
      window,
      await connection.atom('WM_CLASS'),
      await connection.atom('STRING'),
      8,
      wmClass,
    );
    await connection.setText(window, '_NET_WM_NAME', title);
    await connection.setNumbers(window, 'WM_PROTOCOLS', 'ATOM', [await connection.atom('WM_DELETE_WINDOW')]);
    if (id !== undefined) await connection.setText(window, ID_PROPERTY, id);
    client.MapWindow(window);
    await client.sync();
    return window;
  }

  close(): void {
    this.connection.close();
  }
}
