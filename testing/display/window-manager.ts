/**
 * A small window manager for tests, by ICCCM 2.0 and EWMH 1.5: no frames, three desktops, whoever comes last or asks for
 * the keys gets them, and what a person asks for is always done.
 */
import type { DrawableGeometry, WindowAttributes, XEvent } from 'x11';
import { EVENTS, XConnection } from '../../src/agent/x11/x-connection';

/** The hints it keeps. */
export const HINTS = [
  '_NET_SUPPORTED',
  '_NET_SUPPORTING_WM_CHECK',
  '_NET_CLIENT_LIST',
  '_NET_CLIENT_LIST_STACKING',
  '_NET_ACTIVE_WINDOW',
  '_NET_CLOSE_WINDOW',
  '_NET_CURRENT_DESKTOP',
  '_NET_NUMBER_OF_DESKTOPS',
  '_NET_DESKTOP_NAMES',
  '_NET_WM_DESKTOP',
  '_NET_WM_STATE',
  '_NET_WM_STATE_HIDDEN',
  '_NET_WM_STATE_MAXIMIZED_VERT',
  '_NET_WM_STATE_MAXIMIZED_HORZ',
  '_NET_WM_STATE_FULLSCREEN',
  '_NET_WM_STATE_ABOVE',
  '_NET_WM_STATE_SKIP_TASKBAR',
  '_NET_WM_PID',
  '_NET_WM_PING',
  '_NET_RESTACK_WINDOW',
  '_NET_MOVERESIZE_WINDOW',
  '_NET_REQUEST_FRAME_EXTENTS',
] as const;
const DESKTOPS = ['Desk', 'Charts', 'Night watch'];
const EVERYWHERE = 0xffffffff;
const [NORMAL, ICONIC] = [1, 3];
/** Bits of a ConfigureRequest that say which of its values count, in the protocol's order. */
const GEOMETRY = ['x', 'y', 'width', 'height'] as const;
/** WM_HINTS: whether the first state is said, and whether the window wants the keys. */
const [INPUT_HINT, STATE_HINT] = [1, 2];

interface Client {
  readonly window: number;
  desktop: number;
  minimised: boolean;
  mapped: boolean;
  /** Unmappings of ours that are still to be told. */
  unmappings: number;
  readonly states: Set<string>;
  /** Where it lies while it does not fill the screen. */
  geometry: Readonly<Record<(typeof GEOMETRY)[number], number>>;
  readonly takesKeys: boolean;
}

export interface ManagerSettings {
  /** The hints it says it keeps: all that it does, unless fewer are given. */
  readonly hints?: readonly string[];
}

export class WindowManager {
  readonly #clients = new Map<number, Client>();
  /** Windows in the order of their last activation, the active one last. */
  #used: number[] = [];
  /** Bottom first. */
  #pile: number[] = [];
  #desktop = 0;
  /** What happens is handled one after the other, in the order in which it was told. */
  #turn: Promise<void> = Promise.resolve();
  #fullscreenBefore = new Map<number, Client['geometry']>();

  private constructor(
    readonly connection: XConnection,
    readonly hints: readonly string[],
  ) {}

  /** @throws if another window manager runs on the display */
  static async start(display: string, { hints = HINTS }: ManagerSettings = {}): Promise<WindowManager> {
    const connection = await XConnection.open(display);
    const manager = new WindowManager(connection, hints);
    await manager.#takeOver();
    return manager;
  }

  async #takeOver(): Promise<void> {
    const { connection } = this;
    const { client, root } = connection;
    const eventMask = EVENTS.SubstructureRedirect | EVENTS.SubstructureNotify | EVENTS.PropertyChange;
    await connection.reply<null>((done) => {
      client.ChangeWindowAttributes(root, { eventMask }, (error) => done(error, null));
      void client.sync().then(() => done(null, null));
    });
    const check = client.AllocID();
    client.CreateWindow(check, root, -1, -1, 1, 1, 0, 0, 2, 0, { overrideRedirect: true });
    await connection.setText(check, '_NET_WM_NAME', 'a manager for tests');
    const atoms = await Promise.all(this.hints.map((name) => connection.atom(name)));
    await connection.setNumbers(root, '_NET_SUPPORTED', 'ATOM', atoms);
    await connection.setNumbers(root, '_NET_NUMBER_OF_DESKTOPS', 'CARDINAL', [DESKTOPS.length]);
    await connection.setText(root, '_NET_DESKTOP_NAMES', `${DESKTOPS.join('\0')}\0`);
    this.#desktop = (await connection.number(root, '_NET_CURRENT_DESKTOP')) ?? 0;
    await connection.setNumbers(root, '_NET_CURRENT_DESKTOP', 'CARDINAL', [this.#desktop]);
    connection.onEvent((event) => {
      this.#turn = this.#turn.then(() => this.#on(event)).catch(() => undefined);
    });
    const tree = await connection.reply<{ children: readonly number[] }>((done) =>
      client.QueryTree(root, done),
    );
    for (const window of tree.children) await this.#adopt(window);
    // What lies on top has the keys.
    await this.#keepKeys();
    await this.#publish();
    for (const window of [root, check])
      await connection.setNumbers(window, '_NET_SUPPORTING_WM_CHECK', 'WINDOW', [check]);
    await client.sync();
  }

  /** The windows there are, the active one last. */
  get windows(): readonly number[] {
    return this.#used;
  }

  async activate(window: number): Promise<void> {
    const one = this.#clients.get(window);
    if (!one) return;
    if (one.desktop !== this.#desktop && one.desktop !== EVERYWHERE) await this.#enter(one.desktop, false);
    one.minimised = false;
    await this.#show(one);
    this.#raise(window);
    await this.#giveKeys(one);
    await this.#publish();
    await this.connection.client.sync();
  }

  async place(window: number, x: number, y: number, width: number, height: number): Promise<void> {
    this.connection.client.ConfigureWindow(window, { x, y, width, height });
    await this.connection.client.sync();
  }

  /** Ends, as if it had crashed: windows stay as they are. */
  close(): void {
    this.connection.close();
  }

  async #on(event: XEvent): Promise<void> {
    const { client, root } = this.connection;
    const one = this.#clients.get(event.wid);
    switch (event.name) {
      case 'MapRequest':
        if (one) return this.activate(event.wid);
        return this.#manage(event.wid, true);
      case 'ConfigureRequest':
        return client.ConfigureWindow(event.wid, wished(event));
      case 'ConfigureNotify':
        return this.#placed(event);
      case 'UnmapNotify':
        // Told to the root and to who looks at the window itself.
        if (!one || event.event !== root) return;
        if (one.unmappings > 0) one.unmappings -= 1;
        else await this.#forget(event.wid);
        return;
      case 'DestroyNotify':
        return this.#forget(event.wid);
      case 'ClientMessage':
        return this.#asked(
          event.wid,
          await this.connection.atomName(event.message_type ?? 0),
          event.data ?? [],
        );
    }
  }

  async #asked(window: number, type: string, [first = 0, second = 0, third = 0, ...more]: readonly number[]) {
    if (type === '_NET_CURRENT_DESKTOP') return this.#enter(first, true);
    if (type === '_NET_REQUEST_FRAME_EXTENTS')
      return this.connection.setNumbers(window, '_NET_FRAME_EXTENTS', 'CARDINAL', [0, 0, 0, 0]);
    const one = this.#clients.get(window);
    if (!one || (!this.hints.includes(type) && type !== 'WM_CHANGE_STATE')) return;
    switch (type) {
      case '_NET_ACTIVE_WINDOW':
        return this.activate(window);
      case 'WM_CHANGE_STATE':
        return first === ICONIC ? this.#minimise(one) : undefined;
      case '_NET_CLOSE_WINDOW':
        return this.#closeWindow(window, first);
      case '_NET_WM_DESKTOP':
        one.desktop = first;
        await this.connection.setNumbers(window, '_NET_WM_DESKTOP', 'CARDINAL', [first]);
        await this.#show(one);
        return this.#keepKeys();
      case '_NET_WM_STATE':
        for (const atom of [second, third])
          if (atom) await this.#changeState(one, await this.connection.atomName(atom), first !== 0);
        return;
      case '_NET_MOVERESIZE_WINDOW':
        return this.connection.client.ConfigureWindow(window, asked(first, [second, third, ...more]));
      case '_NET_RESTACK_WINDOW':
        return this.#restack(window, second);
    }
  }

  /** One that was there before this manager: mapped or minimised, and no menu or the like. */
  async #adopt(window: number): Promise<void> {
    const state = await this.connection.number(window, 'WM_STATE');
    if (state === ICONIC || (await this.#attributes(window))?.mapState === 2)
      await this.#manage(window, false);
  }

  #attributes(window: number): Promise<WindowAttributes | null> {
    const { client } = this.connection;
    return this.connection.tried<WindowAttributes>((done) => client.GetWindowAttributes(window, done));
  }

  async #manage(window: number, fresh: boolean): Promise<void> {
    const { connection } = this;
    if (this.#clients.has(window) || (await this.#attributes(window))?.overrideRedirect !== 0) return;
    const [place, hints, desktop, states, wmState] = await Promise.all([
      connection.tried<DrawableGeometry>((done) => connection.client.GetGeometry(window, done)),
      connection.numbers(window, 'WM_HINTS'),
      connection.number(window, '_NET_WM_DESKTOP'),
      connection.atomNames(window, '_NET_WM_STATE'),
      connection.number(window, 'WM_STATE'),
    ]);
    if (!place) return;
    const [flags = 0, input, first] = hints ?? [];
    const { xPos: x, yPos: y, width, height } = place;
    const one: Client = {
      window,
      desktop: desktop ?? this.#desktop,
      minimised: fresh ? (flags & STATE_HINT) !== 0 && first === ICONIC : wmState === ICONIC,
      mapped: !fresh && wmState !== ICONIC,
      unmappings: 0,
      states: new Set(states),
      geometry: { x, y, width, height },
      takesKeys: !((flags & INPUT_HINT) !== 0 && input === 0),
    };
    this.#clients.set(window, one);
    this.#pile.push(window);
    this.#used.unshift(window);
    connection.client.ChangeSaveSet(0, window);
    await connection.setNumbers(window, '_NET_WM_DESKTOP', 'CARDINAL', [one.desktop]);
    await this.#show(one);
    await this.#publish();
    if (fresh && !one.minimised) await this.activate(window);
  }

  #placed({ wid1: window, x, y, width, height }: XEvent): void {
    const one = window === undefined ? undefined : this.#clients.get(window);
    if (one && !fills(one)) one.geometry = { x, y, width, height };
  }

  async #minimise(one: Client): Promise<void> {
    one.minimised = true;
    await this.#show(one);
    await this.#keepKeys();
  }

  async #closeWindow(window: number, time: number): Promise<void> {
    const protocols = await this.connection.atomNames(window, 'WM_PROTOCOLS');
    if (protocols.includes('WM_DELETE_WINDOW'))
      return this.connection.tellClient(window, 'WM_DELETE_WINDOW', [time]);
    this.connection.client.KillClient(window);
  }

  async #changeState(one: Client, name: string, on: boolean): Promise<void> {
    // Only a manager itself says what is hidden (EWMH 1.5).
    if (name === '_NET_WM_STATE_HIDDEN') return;
    const before = fills(one);
    if (on) one.states.add(name);
    else one.states.delete(name);
    const { client, screen } = this.connection;
    if (fills(one) && !before) {
      this.#fullscreenBefore.set(one.window, one.geometry);
      client.ConfigureWindow(one.window, { x: 0, y: 0, ...screen });
    }
    if (!fills(one) && before) {
      one.geometry = this.#fullscreenBefore.get(one.window) ?? one.geometry;
      client.ConfigureWindow(one.window, one.geometry);
    }
    await this.#sayStates(one);
  }

  async #restack(window: number, sibling: number): Promise<void> {
    this.connection.client.ConfigureWindow(window, { sibling, stackMode: 0 });
    const others = this.#pile.filter((other) => other !== window);
    this.#pile = others.toSpliced(others.indexOf(sibling) + 1, 0, window);
    await this.#publish();
  }

  async #enter(desktop: number, keys: boolean): Promise<void> {
    this.#desktop = desktop;
    await this.connection.setNumbers(this.connection.root, '_NET_CURRENT_DESKTOP', 'CARDINAL', [desktop]);
    for (const one of this.#clients.values()) await this.#show(one);
    if (keys) await this.#keepKeys();
  }

  #isVisible({ minimised, desktop }: Client): boolean {
    return !minimised && (desktop === this.#desktop || desktop === EVERYWHERE);
  }

  async #show(one: Client): Promise<void> {
    const { client } = this.connection;
    const visible = this.#isVisible(one);
    if (visible && !one.mapped) client.MapWindow(one.window);
    if (!visible && one.mapped) {
      one.unmappings += 1;
      client.UnmapWindow(one.window);
    }
    one.mapped = visible;
    await this.connection.setNumbers(one.window, 'WM_STATE', 'WM_STATE', [
      one.minimised ? ICONIC : NORMAL,
      0,
    ]);
    await this.#sayStates(one);
  }

  async #sayStates({ window, states, minimised }: Client): Promise<void> {
    const names = [...states, ...(minimised ? ['_NET_WM_STATE_HIDDEN'] : [])];
    const atoms = await Promise.all(names.map((name) => this.connection.atom(name)));
    await this.connection.setNumbers(window, '_NET_WM_STATE', 'ATOM', atoms);
  }

  #raise(window: number): void {
    this.connection.client.RaiseWindow(window);
    this.#pile = [...this.#pile.filter((other) => other !== window), window];
  }

  async #giveKeys({ window, takesKeys }: Client): Promise<void> {
    this.#used = [...this.#used.filter((other) => other !== window), window];
    if (takesKeys) this.connection.client.SetInputFocus(window, 1);
    const protocols = await this.connection.atomNames(window, 'WM_PROTOCOLS');
    if (protocols.includes('WM_TAKE_FOCUS'))
      await this.connection.tellClient(window, 'WM_TAKE_FOCUS', [await this.connection.now()]);
  }

  /** If the active window cannot be seen any more, the uppermost one that can is. */
  async #keepKeys(): Promise<void> {
    const active = this.#clients.get(this.#used.at(-1) ?? 0);
    if (active && this.#isVisible(active)) return this.#publish();
    const next = this.#pile.findLast((window) => this.#isVisible(this.#clients.get(window) as Client));
    if (next !== undefined) return this.activate(next);
    this.connection.client.SetInputFocus(this.connection.root, 1);
    await this.#publish();
  }

  async #forget(window: number): Promise<void> {
    if (!this.#clients.delete(window)) return;
    const active = this.#used.at(-1) === window;
    this.#used = this.#used.filter((other) => other !== window);
    this.#pile = this.#pile.filter((other) => other !== window);
    await this.#publish();
    const next = this.#used.findLast((other) => this.#isVisible(this.#clients.get(other) as Client));
    if (active && next !== undefined) await this.activate(next);
  }

  async #publish(): Promise<void> {
    const { connection } = this;
    const { root } = connection;
    const active = this.#clients.get(this.#used.at(-1) ?? 0);
    const visible = active && this.#isVisible(active) ? active.window : 0;
    await connection.setNumbers(root, '_NET_CLIENT_LIST', 'WINDOW', [...this.#clients.keys()]);
    await connection.setNumbers(root, '_NET_CLIENT_LIST_STACKING', 'WINDOW', this.#pile);
    await connection.setNumbers(root, '_NET_ACTIVE_WINDOW', 'WINDOW', [visible]);
  }
}

const fills = ({ states }: Client): boolean =>
  states.has('_NET_WM_STATE_FULLSCREEN') ||
  (states.has('_NET_WM_STATE_MAXIMIZED_VERT') && states.has('_NET_WM_STATE_MAXIMIZED_HORZ'));

function wished(event: XEvent): Record<string, number> {
  const mask = event.mask ?? 0xf;
  return Object.fromEntries(
    GEOMETRY.flatMap((name, bit) => (mask & (1 << bit) ? [[name, event[name]] as const] : [])),
  );
}

/** Which values count say the bits from the ninth on (_NET_MOVERESIZE_WINDOW). Places may lie left of the screen, or above. */
const asked = (flags: number, values: readonly number[]): Record<string, number> =>
  Object.fromEntries(
    GEOMETRY.flatMap((name, bit) =>
      flags & (0x100 << bit) ? [[name, (values[bit] ?? 0) | 0] as const] : [],
    ),
  );
