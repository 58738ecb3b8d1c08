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
const ANY_KEY = 0;
const ANY_MODIFIER = 0x8000;
/** Ask anew once a layout has settled, in ms: changes come in bursts. */
const SETTLED_MS = 50;
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
  readonly #down = new Set<number>();
  /** A key that was let go, unless it turns out to repeat. */
  #release: XEvent | null = null;
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
    this.#held = false;
    this.#down.clear();
    if (!this.#hasKeyboard) return;
    this.#hasKeyboard = false;
    // At the present time: an earlier one than the grab's own would be ignored.
    this.connection.client.UngrabKeyboard(0);
  }

  /** Whether the hold key is down just now, whoever has the keys. */
  async isDown(): Promise<boolean> {
    // What happened before the server answers was told before.
    await this.connection.client.sync();
    return this.#isDown;
  }

  stop(): void {
    clearTimeout(this.#remap);
    this.#endListening();
  }

  async #grabAll(): Promise<void> {
    const { client, root } = this.connection;
    await this.#readKeyboard();
    client.UngrabKey(root, ANY_KEY, ANY_MODIFIER);
    const wanted = this.#wanted;
    if (!wanted) return;
    const hold = this.#masks[wanted.holdKey];
    const states = [hold, hold | SHIFT].flatMap((state) => this.#lockStates().map((locks) => state | locks));
    const taken = await Promise.all(
      wanted.positions.map(async (position) => {
        const keycode = this.#keycodes.get(position);
        if (keycode === undefined || hold === 0) return [];
        const refused = await Promise.all(states.map((state) => this.#isTaken(keycode, state)));
        return refused.some(Boolean) ? [position] : [];
      }),
    );
    if (this.#wanted === wanted) this.listener.grabbed(taken.flat());
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
    if (!this.#held) {
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
    this.listener.key(this.#arrived(event, 'down', repeat));
  }

  /**
   * The passive grab ends with its own key; this one lasts until the hold key comes up. Asked for at the present time: with
   * that of the key it is refused when another key was pressed since, which was a newer grab (X11 protocol, GrabKeyboard).
   */
  #takeKeyboard(): void {
    if (!this.#held || this.#hasKeyboard) return;
    this.#hasKeyboard = true;
    const { client, root } = this.connection;
    client.GrabKeyboard(root, 0, 0, ASYNCHRONOUS, ASYNCHRONOUS, () => true);
  }

  #released(event: XEvent): void {
    const { keycode = 0 } = event;
    if (!this.#held) return;
    this.#down.delete(keycode);
    if (!this.#holdKeys.includes(keycode)) this.listener.key(this.#arrived(event, 'up', false));
  }

  #end(shift: boolean): void {
    const holdKey = this.#wanted?.holdKey ?? 'Meta';
    this.letGo();
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
