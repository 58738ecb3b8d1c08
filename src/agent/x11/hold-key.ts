import type { XEvent, XkbExtension } from 'x11';
import { holdKeyUp, type HoldWanted } from '../../lib/core/display/holding';
import type { ArrivedKey } from '../../lib/core/keys/key-input';
import { hearRepeatsAsPresses } from './detectable-repeat';
import { KeyboardMap, SHIFT } from './keyboard-map';
import type { XConnection } from './x-connection';

/** The error that says that another client has a key (X11 protocol, BadAccess). */
const TAKEN = 10;
/** Modes of a grab (X11 protocol, GrabKey): a synchronous one stops the keyboard at each of its keys until that is allowed. */
const [SYNCHRONOUS, ASYNCHRONOUS] = [0, 1];
/** How a keyboard that stands still goes on (X11 protocol, AllowEvents). */
const [FREELY, TO_THE_NEXT_KEY, AS_IF_NOT_TAKEN] = [3, 4, 5];
/** Ask anew once a layout has settled, in ms: changes come in bursts. */
const SETTLED_MS = 50;
/** So long, in ms, a page may take to say whether it wants the keyboard. */
const UNDECIDED_MS = 1_000;
/** So long, in ms, what is pressed after a hold is kept back for the window that comes forward. */
const LANDING_MS = 500;
/** Kinds of events of the keyboard, and the part of its state that is told (XKB protocol 1.0, 4.3 and 16). */
const [NEW_KEYBOARD, NEW_MAP, STATE] = [1, 2, 4];
const MODIFIERS = 1;

/** What hears of the hold key. */
export interface HoldListener {
  /** A key; that of the hold's end is to be followed by {@link HoldKeyGrab.land}. */
  key(key: ArrivedKey): void;
  /** Positions that another program has, once what was wanted has been asked for. */
  grabbed(taken: readonly string[]): void;
}

/**
 * The hold key in every program: keys are taken by position while it is down (passive grabs, with every state of the
 * locks), and from the first of them on the whole keyboard until it comes up, so that nothing that is pressed meanwhile
 * reaches the program that has the keys.
 *
 * The keyboard stands still at each of these keys until that is seen to: the display keeps what is pressed meanwhile, in
 * order. However quick a hand and however slow a machine, no key comes to another than the one it was meant for. It stands
 * still at the hold's end, too, until the window that was chosen has the keys.
 *
 * That it has come up is told by the state of the modifiers, not by its release: there may be two of it.
 */
export class HoldKeyGrab {
  #wanted: HoldWanted | null = null;
  /** What was last said how much of it could be had. */
  #told: HoldWanted | null = null;
  #map: KeyboardMap | null = null;
  #xkb: XkbExtension | null = null;
  #held = false;
  /** Whether the hold key is down, as far as was told. */
  #isDown = false;
  /** Whether the whole keyboard is ours. */
  #hasKeyboard = false;
  /** Whether it stays ours though the hold key comes up. */
  #keeps = false;
  /** Whether the keyboard is being given away, and what was pressed before may still come here. */
  #leaves = false;
  /** What is taken: `keycode state`, and whether another program has it. */
  readonly #grabs = new Map<string, boolean>();
  readonly #down = new Set<number>();
  /** How often the keyboard was taken. */
  #takings = 0;
  /** Whether a hold is over, and what comes of it is waited for. */
  #landing = false;
  /** While the page has not said whether it wants the keyboard, or while a hold lands. */
  #patience: ReturnType<typeof setTimeout> | undefined;
  #remap: ReturnType<typeof setTimeout> | undefined;
  readonly #endListening: () => void;

  constructor(
    readonly connection: XConnection,
    readonly listener: HoldListener,
  ) {
    this.#endListening = connection.onEvent((event) => this.#on(event));
  }

  /** Whether the keyboard is ours just now. */
  get held(): boolean {
    return this.#held;
  }

  /** Takes these keys in the place of those before; null: none. */
  async want(wanted: HoldWanted | null): Promise<void> {
    this.#wanted = wanted;
    await this.#grabAll();
  }

  /** Gives the keyboard back though the hold key is down: whoever has the focus gets the rest. */
  letGo(): void {
    const { client } = this.connection;
    const kept = this.#keeps;
    clearTimeout(this.#patience);
    this.#held = false;
    this.#landing = false;
    this.#keeps = false;
    this.#down.clear();
    if (!this.#hasKeyboard) return;
    this.#hasKeyboard = false;
    // At the present time: an earlier one than the grab's own would be ignored.
    client.UngrabKeyboard(0);
    if (!kept) return;
    // What was pressed before the server heard of it is on its way to here.
    this.#leaves = true;
    this.#onceTold(() => (this.#leaves = false));
  }

  /**
   * The keyboard is about to be given to a window: until then it is kept, also when the hold key comes up, and what is
   * pressed is handed on. Without a hold there is nothing to be kept.
   */
  keep(): void {
    clearTimeout(this.#patience);
    this.#keeps ||= this.#held || this.#landing;
    if (!this.#landing) return;
    this.#landing = false;
    this.#goOn();
  }

  /** It is not given to anybody after all. */
  keepNoMore(): void {
    this.#keeps = false;
    if (this.#landing) return;
    clearTimeout(this.#patience);
    if (!this.#held) this.letGo();
  }

  /** What the hold was for is done: what was pressed since its end belongs to whoever has the keys now. */
  land(): void {
    if (this.#landing) this.letGo();
  }

  /** Does something once all is heard that the display has told by now. */
  #onceTold(does: () => void): void {
    this.connection.client.sync().then(does, () => undefined);
  }

  /** Whether the hold key is down just now, whoever has the keys. */
  async isDown(): Promise<boolean> {
    // What happened before the server answers was told before.
    await this.connection.client.sync();
    return this.#isDown;
  }

  stop(): void {
    clearTimeout(this.#remap);
    clearTimeout(this.#patience);
    this.#endListening();
  }

  /**
   * Takes what is wanted, and gives back what is not wanted any more. What is ours already stays so meanwhile: the map of
   * the keyboard is told to have changed whenever another keyboard is used, and a key that is pressed just then counts.
   */
  async #grabAll(): Promise<void> {
    const { client, root } = this.connection;
    const map = await this.#readKeyboard();
    this.#map = map;
    const wanted = this.#wanted;
    const statesOf = (position: string) => (wanted ? map.heldStatesOf(position, wanted.holdKey) : []);
    const combinations = new Map(
      (wanted?.positions ?? []).flatMap((position) =>
        statesOf(position).map(({ keycode, state }) => [`${keycode} ${state}`, { keycode, state }]),
      ),
    );
    for (const known of [...this.#grabs.keys()]) {
      if (combinations.has(known)) continue;
      const [keycode = 0, state = 0] = known.split(' ').map(Number);
      client.UngrabKey(root, keycode, state);
      this.#grabs.delete(known);
    }
    const fresh = [...combinations].filter(([name]) => this.#grabs.get(name) !== false);
    await Promise.all(
      fresh.map(async ([name, { keycode, state }]) =>
        this.#grabs.set(name, await this.#isTaken(keycode, state)),
      ),
    );
    if (!wanted || this.#wanted !== wanted || wanted === this.#told) return;
    this.#told = wanted;
    const isTaken = (position: string) =>
      statesOf(position).some(({ keycode, state }) => this.#grabs.get(`${keycode} ${state}`));
    this.listener.grabbed(wanted.positions.filter(isTaken));
  }

  /** A grab has no reply: what was not refused before the server answers the next request is ours. */
  #isTaken(keycode: number, state: number): Promise<boolean> {
    const { client, root } = this.connection;
    return new Promise((resolve) => {
      client.GrabKey(root, 0, state, keycode, ASYNCHRONOUS, SYNCHRONOUS, (error) => {
        resolve((error as { error?: number } | null)?.error === TAKEN);
        return true;
      });
    });
  }

  async #requireXkb(): Promise<XkbExtension> {
    const { connection } = this;
    const xkb = await connection.reply<XkbExtension>((done) => {
      connection.client.require('xkb', (error, extension) => void done(error, extension));
    });
    await hearRepeatsAsPresses(connection, xkb);
    return xkb;
  }

  async #readKeyboard(): Promise<KeyboardMap> {
    const xkb = (this.#xkb ??= await this.#requireXkb());
    // A client that speaks XKB hears of changes by its own events alone.
    const maps = NEW_KEYBOARD | NEW_MAP;
    xkb.SelectEvents(xkb.UseCoreKbd, maps | STATE, 0, maps, 0xff, 0xff, {
      stateNotify: [MODIFIERS, MODIFIERS],
    });
    return KeyboardMap.read(this.connection, xkb);
  }

  /** The bit of the hold key in the state of the modifiers; 0 while there is none. */
  get #holdMask(): number {
    return this.#wanted ? (this.#map?.maskOf(this.#wanted.holdKey) ?? 0) : 0;
  }

  #on(event: XEvent): void {
    const { name } = event;
    if (
      (name === 'MappingNotify' && event.request !== 2) ||
      (name === 'XkbEvent' && (event.xkbType ?? 9) < 2)
    ) {
      clearTimeout(this.#remap);
      this.#remap = setTimeout(() => void this.#grabAll().catch(() => undefined), SETTLED_MS);
    } else if (name === 'XkbStateNotify') this.#modified(event.mods ?? 0);
    else if (name === 'KeyPress') this.#pressed(event);
    else if (name === 'KeyRelease') this.#released(event);
  }

  #modified(modifiers: number): void {
    this.#isDown = (modifiers & this.#holdMask) !== 0;
    if (this.#held && !this.#isDown) this.#end((modifiers & SHIFT) !== 0);
  }

  #pressed(event: XEvent): void {
    const { keycode = 0 } = event;
    const map = this.#map;
    if (!map) return;
    if (!this.#held && !this.#keeps && !this.#leaves) {
      // Pressed before the keyboard was given back, it belongs to no hold.
      if (!this.#wanted || ((event.buttons ?? 0) & this.#holdMask) === 0)
        return this.connection.client.AllowEvents(AS_IF_NOT_TAKEN, 0);
      this.#held = true;
      this.#isDown = true;
      this.#down.clear();
      this.#takeKeyboard();
    }
    const repeat = this.#down.has(keycode);
    this.#down.add(keycode);
    const key = map.arrived(event, 'down', repeat);
    if (this.#held && this.#wanted?.writing.includes(key.code)) this.#keepForWriting();
    this.listener.key(key);
    this.#goOn();
  }

  /** Text may follow at once, before the page has said that it wants the keyboard. It may not want it. */
  #keepForWriting(): void {
    this.#keeps = true;
    clearTimeout(this.#patience);
    this.#patience = setTimeout(() => this.keepNoMore(), UNDECIDED_MS);
  }

  /** The passive grab ends with its own key; this one lasts until the hold key comes up. */
  #takeKeyboard(): void {
    this.#hasKeyboard = true;
    this.#takings += 1;
    const { client, root } = this.connection;
    // At the present time: with that of the key it is refused when another key was pressed since, which was a newer grab.
    client.GrabKeyboard(root, 0, 0, ASYNCHRONOUS, SYNCHRONOUS, (error, status) => {
      if (error || status !== 0) client.AllowEvents(FREELY, 0);
      return true;
    });
  }

  /** The key that the keyboard stood still at is seen to: what comes next? */
  #goOn(): void {
    if (this.#hasKeyboard) this.connection.client.AllowEvents(TO_THE_NEXT_KEY, 0);
  }

  #released(event: XEvent): void {
    const { keycode = 0 } = event;
    const map = this.#map;
    if (!map || (!this.#held && !this.#keeps && !this.#leaves)) return;
    this.#down.delete(keycode);
    if (!map.makes(keycode, this.#holdMask)) {
      this.listener.key(map.arrived(event, 'up', false));
      return this.#goOn();
    }
    // Whether that was the hold key's end is told right after it, and what is pressed after the end is not ours.
    const taking = this.#takings;
    this.#onceTold(() => {
      if (taking === this.#takings && !this.#landing) this.#goOn();
    });
  }

  #end(shift: boolean): void {
    const holdKey = this.#wanted?.holdKey ?? 'Meta';
    this.#held = false;
    if (!this.#keeps) {
      this.#landing = true;
      clearTimeout(this.#patience);
      this.#patience = setTimeout(() => this.land(), LANDING_MS);
    }
    this.listener.key(holdKeyUp(holdKey, shift));
  }
}
