/** What is used of the `x11` package, which brings no types. Names and numbers are those of the X protocol. */
declare module 'x11' {
  export interface XEvent {
    readonly name: string;
    /** The window that it is about. */
    readonly wid: number;
    readonly message_type?: number;
    readonly mask?: number;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }

  export interface Client {
    atoms: Record<string, number>;
    atom_names: Record<number, string>;
    on(event: 'event', listener: (event: XEvent) => void): void;
    /** Resolves once the server has done everything that was asked before. */
    sync(): Promise<void>;
    terminate(): void;
    require(
      extension: 'xtest',
      done: (error: Error | null, extension: { readonly FakeInput: FakeInput }) => void,
    ): void;
    AllocID(): number;
    CreateWindow(
      id: number,
      parent: number,
      x: number,
      y: number,
      width: number,
      height: number,
      borderWidth: number,
      depth: number,
      windowClass: 0 | 1 | 2,
      visual: number,
      attributes: { eventMask?: number; overrideRedirect?: boolean; backgroundPixel?: number },
    ): void;
    ChangeWindowAttributes(
      id: number,
      attributes: { eventMask: number },
      done?: (error: Error | null) => boolean,
    ): void;
    ChangeProperty(
      mode: 0,
      id: number,
      property: number,
      type: number,
      format: 8 | 32,
      data: readonly number[] | Buffer,
    ): void;
    ConfigureWindow(id: number, values: Readonly<Record<string, number>>): void;
    DestroyWindow(id: number): void;
    MapWindow(id: number): void;
    RaiseWindow(id: number): void;
    SetInputFocus(id: number, revertTo: 0 | 1 | 2): void;
    GetImage(
      format: 2,
      drawable: number,
      x: number,
      y: number,
      width: number,
      height: number,
      planes: number,
      done: (error: Error | null, image: { data: Buffer }) => boolean,
    ): void;
    InternAtom(
      onlyIfThere: boolean,
      name: string,
      done: (error: Error | null, atom: number) => boolean,
    ): void;
  }

  /** Makes the server believe that a key or a button was pressed: `type` is 2 to 6, as of the events. */
  export type FakeInput = (
    type: number,
    detail: number,
    delayMs: number,
    root: number,
    x: number,
    y: number,
  ) => void;

  export interface Display {
    readonly client: Client;
    readonly screen: readonly { readonly root: number }[];
  }

  const x11: {
    readonly eventMask: Readonly<Record<string, number>>;
    createClient(
      options: { display: string },
      done: (error: Error | null, display: Display) => void,
    ): { on(event: 'error', listener: (error: Error) => void): void };
  };
  export default x11;
}

declare module 'x11/lib/stdatoms.js' {
  const atoms: Readonly<Record<string, number>>;
  export default atoms;
}

declare module 'x11/lib/keysyms.js' {
  /** By name (`XK_eacute`); the description begins with the letter in brackets, if it has one. */
  const keysyms: Readonly<Record<string, { readonly code: number; readonly description: string | null }>>;
  export default keysyms;
}
