/** A connection to an X server: requests as promises, atoms by name, typed properties. */
import x11, {
  type Client,
  type Display,
  type Done,
  type Property,
  type WindowAttributes,
  type XEvent,
} from 'x11';
import standardAtoms from 'x11/lib/stdatoms.js';
import type { Extent } from '../../lib/core/model/geometry';
import { compoundText } from './compound-text';

/** The masks of events that are selected. */
export const EVENTS = x11.eventMask as Readonly<
  Record<
    | 'FocusChange'
    | 'KeyPress'
    | 'PropertyChange'
    | 'StructureNotify'
    | 'SubstructureNotify'
    | 'SubstructureRedirect',
    number
  >
>;

/** Properties are read up to so many words of four bytes; longer ones are cut. */
const MOST_WORDS = 1 << 18;
/** Who gets the keys when the window that has them goes away (X11 protocol, SetInputFocus). */
const POINTER_ROOT = 1;
/** The property of a window of ours whose changes tell the server's time. */
const CLOCK = '_KEY_FOLD_CLOCK';
/** A window that is mapped, and all that it is in (X11 protocol, GetWindowAttributes). */
const VIEWABLE = 2;

/** One of these. The display is gone when the `gone` promise resolves. */
export class XConnection {
  readonly #atoms = new Map<string, number>();
  readonly #names = new Map<number, string>();
  readonly #listeners = new Set<(event: XEvent) => void>();
  #own: number | null = null;

  private constructor(
    readonly client: Client,
    /** The window behind all others, as large as the screen. */
    readonly root: number,
    /** The screen, in pixels. */
    readonly screen: Extent,
    readonly gone: Promise<void>,
  ) {
    client.on('event', (event) => {
      for (const listen of [...this.#listeners]) listen(event);
    });
  }

  /** @param display as in `DISPLAY`, e.g. `:7` */
  static async open(display: string): Promise<XConnection> {
    const opened = await new Promise<Display>((resolve, reject) => {
      const connecting = x11.createClient({ display }, (error, opened) =>
        error ? reject(error) : resolve(opened),
      );
      // A request about a window that went away meanwhile is no reason to end the process.
      connecting.on('error', () => undefined);
    });
    const [screen] = opened.screen;
    if (!screen) throw new Error(`The display ${display} has no screen.`);
    // The package has one table of atoms for all connections, though each server numbers its own.
    opened.client.atoms = { ...standardAtoms };
    opened.client.atom_names = Object.fromEntries(
      Object.entries(standardAtoms).map(([name, atom]) => [atom, name]),
    );
    // An orderly end is told otherwise too; that of a server that was killed by the stream alone.
    const gone = new Promise<void>((resolve) => opened.client.stream.once('close', resolve));
    const extent = { width: screen.pixel_width, height: screen.pixel_height };
    return new XConnection(opened.client, screen.root, extent, gone);
  }

  /** The reply to a request; `ask` hands its last argument to the client. */
  reply<T>(ask: (done: Done<T>) => void): Promise<T> {
    return new Promise((resolve, reject) =>
      ask((error, reply) => {
        if (error) reject(error);
        else resolve(reply);
        return true;
      }),
    );
  }

  /** The same; null where it fails: what it was about went away. */
  async tried<T>(ask: (done: Done<T>) => void): Promise<T | null> {
    return this.reply(ask).catch(() => null);
  }

  /** Calls `listen` for every event; the returned function ends that. */
  onEvent(listen: (event: XEvent) => void): () => void {
    this.#listeners.add(listen);
    return () => void this.#listeners.delete(listen);
  }

  async atom(name: string): Promise<number> {
    const known = this.#atoms.get(name) ?? standardAtoms[name];
    if (known !== undefined) return known;
    const atom = await this.reply<number>((done) => this.client.InternAtom(false, name, done));
    this.#atoms.set(name, atom);
    this.#names.set(atom, name);
    return atom;
  }

  /** The atoms of several names. */
  async atoms<Name extends string>(names: readonly Name[]): Promise<Readonly<Record<Name, number>>> {
    const all = await Promise.all(names.map(async (name) => [name, await this.atom(name)] as const));
    return Object.fromEntries(all) as Record<Name, number>;
  }

  async atomName(atom: number): Promise<string> {
    const known = this.#names.get(atom);
    if (known !== undefined) return known;
    const name = await this.reply<string>((done) => this.client.GetAtomName(atom, done));
    this.#names.set(atom, name);
    return name;
  }

  /** A property; null if there is none, or no such window. */
  async property(window: number, name: string): Promise<Property | null> {
    const atom = await this.atom(name);
    const property = await this.tried<Property>((done) =>
      this.client.GetProperty(0, window, atom, 0, 0, MOST_WORDS, done),
    );
    return property && property.type !== 0 ? property : null;
  }

  /** A property that is a list of words; null if it is none. */
  async numbers(window: number, name: string): Promise<number[] | null> {
    const property = await this.property(window, name);
    if (property?.format !== 32) return null;
    const { data } = property;
    return Array.from({ length: data.length >> 2 }, (_, n) => data.readUInt32LE(4 * n));
  }

  async number(window: number, name: string): Promise<number | null> {
    return (await this.numbers(window, name))?.[0] ?? null;
  }

  /** The names of the atoms in a property. */
  async atomNames(window: number, name: string): Promise<string[]> {
    const atoms = (await this.numbers(window, name)) ?? [];
    return (await Promise.all(atoms.map((atom) => this.atomName(atom).catch(() => '')))).filter(Boolean);
  }

  /** A property that is text, in any of the encodings that ICCCM 2.0 knows (2.7.1). */
  async text(window: number, name: string): Promise<string | null> {
    const property = await this.property(window, name);
    if (property?.format !== 8) return null;
    switch (await this.atomName(property.type)) {
      case 'STRING':
        return property.data.toString('latin1');
      case 'COMPOUND_TEXT':
        return compoundText(property.data);
      default:
        return property.data.toString('utf8');
    }
  }

  async setNumbers(window: number, name: string, type: string, values: readonly number[]): Promise<void> {
    this.client.ChangeProperty(0, window, await this.atom(name), await this.atom(type), 32, values);
  }

  async setText(window: number, name: string, text: string): Promise<void> {
    const [property, type] = [await this.atom(name), await this.atom('UTF8_STRING')];
    this.client.ChangeProperty(0, window, property, type, 8, Buffer.from(text));
  }

  async removeProperty(window: number, name: string): Promise<void> {
    this.client.DeleteProperty(window, await this.atom(name));
  }

  /** Tells the window manager something about a window (EWMH 1.5, "Root Window Properties (and Related Messages)"). */
  async tellManager(window: number, type: string, data: readonly number[]): Promise<void> {
    const mask = EVENTS.SubstructureRedirect | EVENTS.SubstructureNotify;
    this.client.SendClientMessage(this.root, window, await this.atom(type), 32, data, mask);
  }

  /** Tells the client that made a window something that it takes part in (ICCCM 2.0, 4.2.8). */
  async tellClient(window: number, protocol: string, data: readonly number[]): Promise<void> {
    const [type, what] = [await this.atom('WM_PROTOCOLS'), await this.atom(protocol)];
    this.client.SendClientMessage(window, window, type, 32, [what, ...data], 0);
  }

  /** The server's time, in its ms: appending nothing to a property makes an event that tells it (ICCCM 2.0, 2.1). */
  async now(): Promise<number> {
    const clock = await this.atom(CLOCK);
    const window = this.ownWindow();
    return new Promise((resolve) => {
      const end = this.onEvent((event) => {
        if (event.name !== 'PropertyNotify' || event.wid !== window || event.atom !== clock) return;
        end();
        resolve(event.time ?? 0);
      });
      this.client.ChangeProperty(2, window, clock, standardAtoms.STRING ?? 31, 8, Buffer.alloc(0));
    });
  }

  /** A window of this connection's own, which nobody sees. */
  ownWindow(): number {
    if (this.#own !== null) return this.#own;
    const window = this.client.AllocID();
    this.client.CreateWindow(window, this.root, -10, -10, 1, 1, 0, 0, 2, 0, {
      overrideRedirect: true,
      eventMask: EVENTS.PropertyChange,
    });
    return (this.#own = window);
  }

  /**
   * Takes the keyboard from a window that is about to go out of sight, if it has it still; nobody has it then. A manager
   * gives it to somebody as a rule, but not where what comes forward wants no keys.
   */
  async takeKeysFrom(window: number): Promise<void> {
    const { client } = this;
    const has = await this.tried<{ readonly focus: number }>((done) => client.GetInputFocus(done));
    if (has?.focus !== window) return;
    const own = this.ownWindow();
    // Only what is shown can have them; it lies outside of the screen.
    client.MapWindow(own);
    client.SetInputFocus(own, POINTER_ROOT);
  }

  /** Whether a window is mapped, and all that it is in; false for one that is gone. */
  async isViewable(window: number): Promise<boolean> {
    const standing = await this.tried<WindowAttributes>((done) =>
      this.client.GetWindowAttributes(window, done),
    );
    return standing?.mapState === VIEWABLE;
  }

  /** What is on the screen at a place, as the server's bytes for its pixels. */
  async pixels(x: number, y: number, width: number, height: number): Promise<Buffer> {
    const image = await this.reply<{ data: Buffer }>((done) =>
      this.client.GetImage(2, this.root, x, y, width, height, 0xffffffff, done),
    );
    return image.data;
  }

  close(): void {
    this.client.terminate();
  }
}
