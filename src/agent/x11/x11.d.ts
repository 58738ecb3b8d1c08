/** What is used of the `x11` package, which brings no types. Names and numbers are those of the X protocol. */
declare module 'x11' {
  export interface XEvent {
    readonly name: string;
    /** The window that it is about. */
    readonly wid: number;
    /** Of what was mapped or unmapped: the window that was selected on. */
    readonly event?: number;
    /** Of a ConfigureNotify: the window that was configured. */
    readonly wid1?: number;
    /** Of a DamageNotify: what looks different. */
    readonly drawable?: number;
    readonly overrideRedirect?: boolean | number;
    readonly atom?: number;
    readonly time?: number;
    readonly message_type?: number;
    readonly data?: readonly number[];
    readonly mask?: number;
    readonly stackMode?: number;
    readonly mode?: number;
    readonly detail?: number;
    readonly keycode?: number;
    /** Modifiers and buttons that are down. */
    readonly buttons?: number;
    readonly request?: number;
    readonly xkbType?: number;
    /** The modifiers that are on, of an XkbStateNotify. */
    readonly mods?: number;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }

  /** A callback answers true: an error was dealt with. */
  export type Done<T> = (error: Error | null, reply: T) => boolean;

  export interface Property {
    /** The atom of its type; 0 if there is no such property. */
    readonly type: number;
    readonly format: number;
    readonly data: Buffer;
  }

  export interface WindowAttributes {
    /** 0 unmapped, 1 unviewable, 2 viewable. */
    readonly mapState: number;
    readonly overrideRedirect: number | boolean;
  }

  export interface DrawableGeometry {
    readonly xPos: number;
    readonly yPos: number;
    readonly width: number;
    readonly height: number;
    readonly borderWidth: number;
    readonly depth: number;
  }

  /** The X-Resource extension, 1.2. */
  export interface ResourceExtension {
    readonly ClientIdMask: { readonly LocalClientPID: number };
    QueryClientIds(
      specs: readonly { readonly client: number; readonly mask: number }[],
      done: Done<readonly { readonly value?: readonly number[] }[]>,
    ): void;
  }

  /** The Composite extension, 0.4, as far as it is used. */
  export interface CompositeExtension {
    readonly Redirect: { readonly Automatic: 0 };
    RedirectWindow(id: number, update: 0): void;
    UnredirectWindow(id: number, update: 0): void;
    /** Has no reply: what fails is told as an error. */
    NameWindowPixmap(id: number, pixmap: number): void;
  }

  /** The Damage extension, 1.1, as far as it is used. */
  export interface DamageExtension {
    readonly ReportLevel: { readonly NonEmpty: 3 };
    Create(damage: number, drawable: number, level: 3): void;
    Destroy(damage: number): void;
    Subtract(damage: number, repair: 0, parts: 0): void;
  }

  /** The RENDER extension, as far as it is used. */
  export interface RenderExtension {
    readonly rgb24: number;
    readonly rgba32: number;
    CreatePicture(id: number, drawable: number, format: number, values: { subwindowMode?: 1 }): void;
    FreePicture(id: number): void;
    SetPictureFilter(id: number, name: 'bilinear', parameters: readonly number[]): void;
    SetPictureTransform(id: number, matrix: readonly number[]): void;
    Composite(
      operation: 1,
      source: number,
      mask: 0,
      destination: number,
      sourceX: number,
      sourceY: number,
      maskX: number,
      maskY: number,
      destinationX: number,
      destinationY: number,
      width: number,
      height: number,
    ): void;
  }

  /** The X Keyboard Extension, as far as it is used. */
  export interface XkbExtension {
    readonly majorOpcode: number;
    readonly UseCoreKbd: number;
    readonly NameDetail: { readonly KeyNames: number };
    SelectEvents(
      device: number,
      which: number,
      clear: number,
      all: number,
      mapParts: number,
      map: number,
      /** What of a kind of event: what is said, and its value. */
      details: { readonly stateNotify: readonly [number, number] },
    ): void;
    GetNames(
      device: number,
      which: number,
      done: Done<{ readonly firstKey: number; readonly keyNames: readonly string[] }>,
    ): void;
  }

  export interface Client {
    atoms: Record<string, number>;
    atom_names: Record<number, string>;
    readonly stream: { once(event: 'close', listener: () => void): void };
    /** The number of the last request, and how the replies to those that are under way are read and taken. */
    seq_num: number;
    readonly replies: Record<number, readonly [read: (reply: Buffer) => unknown, done: Done<unknown>]>;
    readonly pack_stream: { put(request: Buffer): void; submit(hasReply: boolean): void };
    on(event: 'event', listener: (event: XEvent) => void): void;
    on(event: 'error', listener: (error: Error) => void): void;
    /** Resolves once the server has done everything that was asked before. */
    sync(): Promise<void>;
    terminate(): void;
    require(
      extension: 'xtest',
      done: (error: Error | null, extension: { readonly FakeInput: FakeInput }) => void,
    ): void;
    require(extension: 'res', done: (error: Error | null, extension: ResourceExtension) => void): void;
    require(extension: 'composite', done: (error: Error | null, extension: CompositeExtension) => void): void;
    require(extension: 'damage', done: (error: Error | null, extension: DamageExtension) => void): void;
    require(extension: 'render', done: (error: Error | null, extension: RenderExtension) => void): void;
    require(extension: 'xkb', done: (error: Error | null, extension: XkbExtension) => void): void;
    /** Has no reply: the callback hears of an error, or that a later request was answered. */
    GrabKey(
      id: number,
      ownerEvents: 0 | 1,
      modifiers: number,
      keycode: number,
      pointerMode: number,
      keyboardMode: number,
      done: (error: Error | null) => boolean,
    ): void;
    UngrabKey(id: number, keycode: number, modifiers: number): void;
    GrabKeyboard(
      id: number,
      ownerEvents: 0 | 1,
      time: number,
      pointerMode: number,
      keyboardMode: number,
      done: Done<number>,
    ): void;
    UngrabKeyboard(time: number): void;
    AllowEvents(mode: number, time: number): void;
    GetModifierMapping(done: Done<readonly (readonly number[])[]>): void;
    GetKeyboardMapping(first: number, count: number, done: Done<readonly (readonly number[])[]>): void;
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
      attributes: { eventMask?: number; backgroundPixel?: number },
      done?: (error: Error | null) => boolean,
    ): void;
    GetWindowAttributes(id: number, done: Done<WindowAttributes>): void;
    GetGeometry(id: number, done: Done<DrawableGeometry>): void;
    TranslateCoordinates(
      from: number,
      to: number,
      x: number,
      y: number,
      done: Done<{ readonly destX: number; readonly destY: number }>,
    ): void;
    QueryTree(id: number, done: Done<{ readonly children: readonly number[] }>): void;
    GetProperty(
      remove: 0,
      id: number,
      property: number,
      type: number,
      offset: number,
      words: number,
      done: Done<Property>,
    ): void;
    ChangeProperty(
      mode: 0 | 2,
      id: number,
      property: number,
      type: number,
      format: 8 | 32,
      data: readonly number[] | Buffer,
    ): void;
    DeleteProperty(id: number, property: number): void;
    SendClientMessage(
      destination: number,
      id: number,
      type: number,
      format: 32,
      data: readonly number[],
      eventMask: number,
    ): void;
    ClearArea(id: number, x: number, y: number, width: number, height: number, exposures: 0 | 1): void;
    ResizeWindow(id: number, width: number, height: number): void;
    ConfigureWindow(id: number, values: Readonly<Record<string, number>>): void;
    DestroyWindow(id: number): void;
    MapWindow(id: number): void;
    UnmapWindow(id: number): void;
    RaiseWindow(id: number): void;
    KillClient(id: number): void;
    ChangeSaveSet(remove: 0 | 1, id: number): void;
    SetSelectionOwner(owner: number, selection: number, time: number): void;
    SetInputFocus(id: number, revertTo: 0 | 1 | 2): void;
    GetInputFocus(done: Done<{ readonly focus: number }>): void;
    CreatePixmap(id: number, drawable: number, depth: number, width: number, height: number): void;
    FreePixmap(id: number): void;
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
    InternAtom(onlyIfThere: boolean, name: string, done: Done<number>): void;
    GetAtomName(atom: number, done: Done<string>): void;
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

  export interface Screen {
    readonly root: number;
    readonly pixel_width: number;
    readonly pixel_height: number;
  }

  export interface Display {
    readonly client: Client;
    readonly screen: readonly Screen[];
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
