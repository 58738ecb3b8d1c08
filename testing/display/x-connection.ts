/** A connection to an X server: requests as promises, atoms by name, typed properties. */
import x11, { type Client, type Display } from 'x11';
import standardAtoms from 'x11/lib/stdatoms.js';

export const EVENTS = x11.eventMask as Readonly<
  Record<'KeyPress' | 'PropertyChange' | 'SubstructureNotify' | 'SubstructureRedirect', number>
>;

type Done<T> = (error: Error | null, reply: T) => boolean;

export class XConnection {
  readonly #atoms = new Map<string, number>();

  private constructor(
    readonly client: Client,
    /** The window behind all others, as large as the screen. */
    readonly root: number,
  ) {}

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
    return new XConnection(opened.client, screen.root);
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

  async atom(name: string): Promise<number> {
    const known = this.#atoms.get(name) ?? standardAtoms[name];
    if (known !== undefined) return known;
    const atom = await this.reply<number>((done) => this.client.InternAtom(false, name, done));
    this.#atoms.set(name, atom);
    return atom;
  }

  async setNumbers(window: number, name: string, type: string, values: readonly number[]): Promise<void> {
    this.client.ChangeProperty(0, window, await this.atom(name), await this.atom(type), 32, values);
  }

  async setText(window: number, name: string, text: string): Promise<void> {
    const [property, type] = [await this.atom(name), await this.atom('UTF8_STRING')];
    this.client.ChangeProperty(0, window, property, type, 8, Buffer.from(text));
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
