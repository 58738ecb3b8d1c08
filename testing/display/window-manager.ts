/**
 * A small window manager for tests: it shows what wants to be shown, without frames, and gives the keys to the window
 * that came last or that asks for them. By ICCCM and EWMH as far as browsers care.
 */
import type { XEvent } from 'x11';
import { EVENTS, XConnection } from './x-connection';

const SUPPORTED = ['_NET_SUPPORTED', '_NET_SUPPORTING_WM_CHECK', '_NET_CLIENT_LIST', '_NET_ACTIVE_WINDOW'];
/** Bits of a ConfigureRequest that say which of its values count, in the protocol's order. */
const GEOMETRY = ['x', 'y', 'width', 'height'] as const;

export class WindowManager {
  /** Windows in the order of their last activation, the active one last. */
  #windows: number[] = [];
  /** What happens is handled one after the other, in the order in which it was told. */
  #turn: Promise<void> = Promise.resolve();

  private constructor(readonly connection: XConnection) {}

  /** @throws if another window manager runs on the display */
  static async start(display: string): Promise<WindowManager> {
    const connection = await XConnection.open(display);
    const manager = new WindowManager(connection);
    await manager.#takeOver();
    return manager;
  }

  async #takeOver(): Promise<void> {
    const { client, root } = this.connection;
    const eventMask = EVENTS.SubstructureRedirect | EVENTS.SubstructureNotify | EVENTS.PropertyChange;
    await this.connection.reply<null>((done) => {
      client.ChangeWindowAttributes(root, { eventMask }, (error) => done(error, null));
      void client.sync().then(() => done(null, null));
    });
    const check = client.AllocID();
    client.CreateWindow(check, root, -1, -1, 1, 1, 0, 0, 2, 0, { overrideRedirect: true });
    for (const window of [root, check])
      await this.connection.setNumbers(window, '_NET_SUPPORTING_WM_CHECK', 'WINDOW', [check]);
    await this.connection.setText(check, '_NET_WM_NAME', 'a manager for tests');
    const atoms = await Promise.all(SUPPORTED.map((name) => this.connection.atom(name)));
    await this.connection.setNumbers(root, '_NET_SUPPORTED', 'ATOM', atoms);
    client.on('event', (event) => {
      this.#turn = this.#turn.then(() => this.#on(event)).catch(() => undefined);
    });
    await this.#publish();
    await client.sync();
  }

  /** The windows there are, the active one last. */
  get windows(): readonly number[] {
    return this.#windows;
  }

  async activate(window: number): Promise<void> {
    const { client } = this.connection;
    this.#windows = [...this.#windows.filter((other) => other !== window), window];
    client.RaiseWindow(window);
    client.SetInputFocus(window, 1);
    await this.#publish();
    await client.sync();
  }

  async place(window: number, x: number, y: number, width: number, height: number): Promise<void> {
    this.connection.client.ConfigureWindow(window, { x, y, width, height });
    await this.connection.client.sync();
  }

  close(): void {
    this.connection.close();
  }

  async #on(event: XEvent): Promise<void> {
    const { client } = this.connection;
    switch (event.name) {
      case 'MapRequest':
        client.MapWindow(event.wid);
        await this.connection.setNumbers(event.wid, 'WM_STATE', 'WM_STATE', [1, 0]);
        return this.activate(event.wid);
      case 'ConfigureRequest':
        return client.ConfigureWindow(event.wid, wished(event));
      case 'UnmapNotify':
      case 'DestroyNotify':
        return this.#forget(event.wid);
      case 'ClientMessage':
        if (event.message_type === (await this.connection.atom('_NET_ACTIVE_WINDOW')) && this.#has(event.wid))
          return this.activate(event.wid);
    }
  }

  #has(window: number): boolean {
    return this.#windows.includes(window);
  }

  async #forget(window: number): Promise<void> {
    if (!this.#has(window)) return;
    this.#windows = this.#windows.filter((other) => other !== window);
    const next = this.#windows.at(-1);
    if (next === undefined) await this.#publish();
    else await this.activate(next);
  }

  async #publish(): Promise<void> {
    const { root } = this.connection;
    await this.connection.setNumbers(root, '_NET_CLIENT_LIST', 'WINDOW', this.#windows);
    await this.connection.setNumbers(root, '_NET_ACTIVE_WINDOW', 'WINDOW', [this.#windows.at(-1) ?? 0]);
  }
}

function wished(event: XEvent): Record<string, number> {
  const mask = event.mask ?? 0xf;
  return Object.fromEntries(
    GEOMETRY.flatMap((name, bit) => (mask & (1 << bit) ? [[name, event[name]] as const] : [])),
  );
}
