/** What is used of the `x11` package, which brings no types. Names and numbers are those of the X protocol. */
declare module 'x11' {
  export interface Reply {
    <T>(error: Error | null, reply: T): boolean;
  }

  export interface XEvent {
    readonly name: string;
    /** The window that it is about. */
    readonly wid: number;
    /** The window that it was told to. */
    readonly event?: number;
    readonly parent?: number;
    readonly atom?: number;
    readonly message_type?: number;
    readonly data: readonly number[];
    readonly mode?: number;
    readonly detail?: number;
    readonly mask?: number;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly borderWidth: number;
    readonly stackMode: number;
  }

  export interface Client {
    atoms: Record<string, number>;
    atom_names: Record<number, string>;
    readonly stream: { once(event: 'close', listener: () => void): void };
    on(event: 'event', listener: (event: XEvent) => void): void;
    on(event: 'error', listener: (error: Error) => void): void;
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
    SetSelectionOwner(id: number, selection: number, time: number): void;
    SendClientMessage(
      destination: number,
      about: number,
      type: number,
      format: 32,
      data: readonly number[],
      eventMask: number,
    ): void;
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
    GetProperty(
      remove: 0,
      id: number,
      property: number,
      type: number,
      offset: number,
      length: number,
      done: (error: Error | null, property: { type: number; format: number; data: Buffer }) => boolean,
    ): void;
    GetWindowAttributes(
      id: number,
      done: (error: Error | null, attributes: { overrideRedirect: number; mapState: number }) => boolean,
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
    readonly screen: readonly {
      readonly root: number;
      readonly pixel_width: number;
      readonly pixel_height: number;
    }[];
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
