import type { XEvent, XkbExtension } from 'x11';
import type { HoldWanted } from '../../lib/core/display/holding';
import type { ArrivedKey } from '../../lib/core/keys/key-input';
import type { UsableHoldKey } from '../../lib/core/slices/settings/state';
import { keyValue, XKB_NAMES } from './positions';
import type { XConnection } from './x-connection';

/** Bits of the modifiers in an event's state (X11 protocol, SETofKEYBUTMASK). */
const [SHIFT, LOCK, CONTROL] = [1, 2, 4];
/** Keysyms of keys that modifiers are found by (X11 protocol, appendix A). */
const KEYSYMS = {
  Alt: [0xffe9, 0xffea],
  Meta: [0xffeb, 0xffec],
  AltGraph: [0xfe03, 0xff7e],
  NumLock: [0xff7f],
  ScrollLock: [0xff14],
} as const;
/** The error that says that another client has a key (X11 protocol, BadAccess). */
const TAKEN = 10;
const ASYNCHRONOUS = 1;
/** Ask anew once a layout has settled, in ms: changes come in bursts. */
const SETTLED_MS = 50;
/** So long, in ms, a page may take to say whether it wants the keyboard. */
const UNDECIDED_MS = 1_000;
/** Kinds of events of the keyboard, and the part of its state that is told (XKB protocol 1.0, 4.3 and 16). */
const [NEW_KEYBOARD, NEW_MAP, STATE] = [1, 2, 4];
const MODIFIERS = 1;

/** What hears of the hold key. */
export interface HoldListener {
  key(key: ArrivedKey): void;
  /** Positions that another program has, once what was wanted has been asked for. */
  grabbed(taken: readonly string[]): void;
}

/**
 * The hold key in every program: keys are taken by position while it is down (passive grabs, with every state of the
 * locks), and from the first of them on the whole keyboard until it comes up, so that nothing that is pressed meanwhile
 * reaches the program that has the keys.
 *
 * That it has come up is told by the state of the modifiers, not by its release: a quick tap is over before the keyboard
 * could be taken, and its release goes to the program that has the keys. The state is told to whoever asked for it, in
 * order with the keys, whoever has them.
 */
export class HoldKeyGrab {
  #wanted: HoldWanted | null = null;
  /** What was last said how much of it could be had. */
  #told: HoldWanted | null = null;
  #codes = new Map<number, string>();
  #keycodes = new Map<string, number>();
  #keysyms: readonly (readonly number[])[] = [];
  #first = 8;
  #masks: Record<keyof typeof KEYSYMS, number> = { Alt: 8, Meta: 64, AltGraph: 0, NumLock: 0, ScrollLock: 0 };
  #holdMask = 0;
  #holdKeys: readonly number[] = [];
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
  /** A key that was let go, unless it turns out to repeat. */
  #release: XEvent | null = null;
  /** While the page has not said whether it wants the keyboard. */
  #undecided: ReturnType<typeof setTimeout> | undefined;
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
    clearTimeout(this.#undecided);
    this.#held = false;
    this.#keeps = false;
    this.#down.clear();
    if (!this.#hasKeyboard) return;
    this.#hasKeyboard = false;
    // At the present time: an earlier one than the grab's own would be ignored.
    client.UngrabKeyboard(0);
    if (!kept) return;
    // What was pressed before the server heard of it is on its way to here.
    this.#leaves = true;
    void client.sync().then(() => (this.#leaves = false));
  }

  /**
   * The keyboard is about to be given to a window: until then it is kept, also when the hold key comes up, and what is
   * pressed is handed on. Without a hold there is nothing to be kept.
   */
  keep(): void {
    clearTimeout(this.#undecided);
    this.#keeps ||= this.#held;
  }

  /** It is not given to anybody after all. */
  keepNoMore(): void {
    clearTimeout(this.#undecided);
    this.#keeps = false;
    if (!this.#held) this.letGo();
  }

  /** Whether the hold key is down just now, whoever has the keys. */
  async isDown(): Promise<boolean> {
    // What happened before the server answers was told before.
    await this.connection.client.sync();
    return this.#isDown;
  }

  stop(): void {
    clearTimeout(this.#remap);
    clearTimeout(this.#undecided);
    this.#endListening();
  }

  /**
   * Takes what is wanted, and gives back what is not wanted any more. What is ours already stays so meanwhile: the map of
   * the keyboard is told to have changed whenever another keyboard is used, and a key that is pressed just then counts.
   */
  async #grabAll(): Promise<void> {
    const { client, root } = this.connection;
    await this.#readKeyboard();
    const wanted = this.#wanted;
    const combinations = new Map(
      (wanted?.positions ?? []).flatMap((position) =>
        this.#statesOf(position).map(({ keycode, state }) => [`${keycode} ${state}`, { keycode, state }]),
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
      this.#statesOf(position).some(({ keycode, state }) => this.#grabs.get(`${keycode} ${state}`));
    this.listener.grabbed(wanted.positions.filter(isTaken));
  }

  /** A key of the keyboard with every state of the modifiers in which it is Key Fold's; none if it is not there. */
  #statesOf(position: string): { readonly keycode: number; readonly state: number }[] {
    const keycode = this.#keycodes.get(position);
    const hold = this.#holdMask;
    if (keycode === undefined || hold === 0) return [];
    return [hold, hold | SHIFT].flatMap((state) =>
      this.#lockStates().map((locks) => ({ keycode, state: state | locks })),
    );
  }

  /** A grab has no reply: what was not refused before the server answers the next request is ours. */
  #isTaken(keycode: number, state: number): Promise<boolean> {
    const { client, root } = this.connection;
    return new Promise((resolve) => {
      client.GrabKey(root, 0, state, keycode, ASYNCHRONOUS, ASYNCHRONOUS, (error) => {
        resolve((error as { error?: number } | null)?.error === TAKEN);
        return true;
      });
    });
  }

  async #readKeyboard(): Promise<void> {
    const { connection } = this;
    const { client } = connection;
    this.#xkb ??= await connection.reply<XkbExtension>((done) => {
      client.require('xkb', (error, extension) => void done(error, extension));
    });
    const xkb = this.#xkb;
    // A client that speaks XKB hears of changes by its own events alone.
    const maps = NEW_KEYBOARD | NEW_MAP;
    xkb.SelectEvents(xkb.UseCoreKbd, maps | STATE, 0, maps, 0xff, 0xff, {
      stateNotify: [MODIFIERS, MODIFIERS],
    });
    const [names, modifiers] = await Promise.all([
      connection.reply<{ firstKey: number; keyNames: readonly string[] }>((done) =>
        xkb.GetNames(xkb.UseCoreKbd, xkb.NameDetail.KeyNames, done),
      ),
      connection.reply<readonly (readonly number[])[]>((done) => client.GetModifierMapping(done)),
    ]);
    this.#first = names.firstKey;
    this.#keysyms = await connection.reply<readonly (readonly number[])[]>((done) =>
      client.GetKeyboardMapping(names.firstKey, names.keyNames.length, done),
    );
    const byName = new Map(names.keyNames.map((name, n) => [name, names.firstKey + n]));
    this.#keycodes = new Map();
    this.#codes = new Map();
    for (const [code, name] of XKB_NAMES) {
      const keycode = byName.get(name);
      if (keycode === undefined) continue;
      this.#keycodes.set(code, keycode);
      this.#codes.set(keycode, code);
    }
    const symsOf = (keycode: number) => this.#keysyms[keycode - this.#first] ?? [];
    const maskOf = (wanted: readonly number[]) =>
      modifiers.reduce((mask, keycodes, bit) => {
        const has = keycodes.some(
          (keycode) => keycode !== 0 && symsOf(keycode).some((sym) => wanted.includes(sym)),
        );
        return has ? mask | (1 << bit) : mask;
      }, 0);
    this.#masks = {
      Alt: maskOf(KEYSYMS.Alt),
      Meta: maskOf(KEYSYMS.Meta),
      AltGraph: maskOf(KEYSYMS.AltGraph),
      NumLock: maskOf(KEYSYMS.NumLock),
      ScrollLock: maskOf(KEYSYMS.ScrollLock),
    };
    const holdMask = this.#wanted ? this.#masks[this.#wanted.holdKey] : 0;
    this.#holdMask = holdMask;
    this.#holdKeys = modifiers.flatMap((keycodes, bit) => (holdMask & (1 << bit) ? keycodes : []));
  }

  /** A passive grab must match the state of all modifiers, so there is one for each state of the locks. */
  #lockStates(): number[] {
    const locks = [...new Set([LOCK, this.#masks.NumLock, this.#masks.ScrollLock])].filter(Boolean);
    return locks.reduce((states, lock) => states.flatMap((state) => [state, state | lock]), [0]);
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
    else if (name === 'KeyRelease') this.#releasedOrRepeated(event);
  }

  #modified(modifiers: number): void {
    this.#settleRelease();
    this.#isDown = (modifiers & this.#holdMask) !== 0;
    if (this.#held && !this.#isDown) this.#end((modifiers & SHIFT) !== 0);
  }

  /** A key that repeats is told as let go and pressed at the same time (X11 protocol, "KeyPress"). */
  #releasedOrRepeated(event: XEvent): void {
    this.#settleRelease();
    this.#release = event;
    setImmediate(() => this.#settleRelease());
  }

  #settleRelease(): void {
    const event = this.#release;
    this.#release = null;
    if (event) this.#released(event);
  }

  #pressed(event: XEvent): void {
    const { keycode = 0, time } = event;
    if (this.#release?.keycode === keycode && this.#release.time === time) this.#release = null;
    else this.#settleRelease();
    if (!this.#held && !this.#keeps && !this.#leaves) {
      // Pressed before the keyboard was given back, it belongs to no hold.
      if (!this.#wanted || ((event.buttons ?? 0) & this.#holdMask) === 0) return;
      this.#held = true;
      this.#isDown = true;
      this.#down.clear();
      // Once all that has come by now is looked at: it may be over already.
      setImmediate(() => this.#takeKeyboard());
    }
    const repeat = this.#down.has(keycode);
    this.#down.add(keycode);
    const key = this.#arrived(event, 'down', repeat);
    if (this.#held && this.#wanted?.writing.includes(key.code)) this.#keepForWriting();
    this.listener.key(key);
  }

  /** Text may follow at once, before the page has said that it wants the keyboard. It may not want it. */
  #keepForWriting(): void {
    this.#keeps = true;
    clearTimeout(this.#undecided);
    this.#undecided = setTimeout(() => this.keepNoMore(), UNDECIDED_MS);
  }

  /**
   * The passive grab ends with its own key; this one lasts until the hold key comes up. Asked for at the present time: with
   * that of the key it is refused when another key was pressed since, which was a newer grab (X11 protocol, GrabKeyboard).
   */
  #takeKeyboard(): void {
    if (this.#hasKeyboard || !(this.#held || this.#keeps)) return;
    this.#hasKeyboard = true;
    const { client, root } = this.connection;
    client.GrabKeyboard(root, 0, 0, ASYNCHRONOUS, ASYNCHRONOUS, () => true);
  }

  #released(event: XEvent): void {
    const { keycode = 0 } = event;
    if (!this.#held && !this.#keeps && !this.#leaves) return;
    this.#down.delete(keycode);
    if (!this.#holdKeys.includes(keycode)) this.listener.key(this.#arrived(event, 'up', false));
  }

  #end(shift: boolean): void {
    const holdKey = this.#wanted?.holdKey ?? 'Meta';
    if (this.#keeps) this.#held = false;
    else this.letGo();
    this.listener.key(holdKeyUp(holdKey, shift));
  }

  #arrived({ keycode = 0, buttons = 0 }: XEvent, phase: ArrivedKey['phase'], repeat: boolean): ArrivedKey {
    const code = this.#codes.get(keycode) ?? '';
    const shift = (buttons & SHIFT) !== 0;
    const syms = this.#keysyms[keycode - this.#first] ?? [];
    return {
      phase,
      code,
      key: keyValue(code, (shift ? syms[1] || syms[0] : syms[0]) ?? 0),
      alt: (buttons & this.#masks.Alt) !== 0,
      control: (buttons & CONTROL) !== 0,
      meta: (buttons & this.#masks.Meta) !== 0,
      shift,
      altGraph: (buttons & this.#masks.AltGraph) !== 0,
      repeat,
      composing: false,
    };
  }
}

/** The hold key has come up, as a page hears it. */
export const holdKeyUp = (holdKey: UsableHoldKey, shift: boolean): ArrivedKey => ({
  phase: 'up',
  code: `${holdKey}Left`,
  key: holdKey,
  alt: false,
  control: false,
  meta: false,
  shift,
  altGraph: false,
  repeat: false,
  composing: false,
});
