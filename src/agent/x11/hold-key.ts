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
/** So often, in ms, it is looked whether the hold key is down while it is thought to be. */
const WATCH_MS = 50;

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
 */
export class HoldKeyGrab {
  #wanted: HoldWanted | null = null;
  #codes = new Map<number, string>();
  #keycodes = new Map<string, number>();
  #keysyms: readonly (readonly number[])[] = [];
  #first = 8;
  #masks: Record<keyof typeof KEYSYMS, number> = { Alt: 8, Meta: 64, AltGraph: 0, NumLock: 0, ScrollLock: 0 };
  #holdKeys = new Set<number>();
  #xkb: XkbExtension | null = null;
  #held = false;
  /** The keys that hold it; null until the server has said which are down. */
  #holding: Set<number> | null = null;
  /** How many times the keyboard was taken. */
  #holds = 0;
  readonly #down = new Set<number>();
  /** A key that was let go, unless it turns out to repeat. */
  #release: XEvent | null = null;
  #watch: ReturnType<typeof setInterval> | undefined;
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
    clearInterval(this.#watch);
    this.#held = false;
    this.#down.clear();
    // At the present time: an earlier one than the grab's own would be ignored.
    this.connection.client.UngrabKeyboard(0);
  }

  /** Whether a hold key is down just now, whoever has the keys. */
  async isDown(): Promise<boolean> {
    return (await this.#downNow()).size > 0;
  }

  async #downNow(): Promise<Set<number>> {
    const keys = await this.connection.tried<readonly number[] | Buffer>((done) =>
      this.connection.client.QueryKeymap(done),
    );
    const isDown = (keycode: number) => ((keys?.[keycode >> 3] ?? 0) & (1 << (keycode & 7))) !== 0;
    return new Set([...this.#holdKeys].filter(isDown));
  }

  stop(): void {
    clearTimeout(this.#remap);
    clearInterval(this.#watch);
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
    // A client that speaks XKB hears of changes by its own events alone: new keyboard, new map.
    xkb.SelectEvents(xkb.UseCoreKbd, 3, 0, 3, 0xff, 0xff);
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
    this.#holdKeys = new Set(
      modifiers.flatMap((keycodes, bit) => (holdMask & (1 << bit) ? keycodes.filter(Boolean) : [])),
    );
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
    } else if (name === 'KeyPress') this.#pressed(event);
    else if (name === 'KeyRelease') this.#releasedOrRepeated(event);
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
    if (event) void this.#released(event);
  }

  #pressed(event: XEvent): void {
    const { keycode = 0, time = 0 } = event;
    if (this.#release?.keycode === keycode && this.#release.time === time) this.#release = null;
    else this.#settleRelease();
    const begins = !this.#held;
    if (begins) {
      if (!this.#wanted) return;
      this.#held = true;
      this.#holds += 1;
      this.#holding = null;
      this.#down.clear();
    }
    // It was down already, so it has come up where nobody told us: that hold is over, and this is another one.
    if (this.#holding?.has(keycode)) return this.#end(false);
    if (this.#holdKeys.has(keycode)) this.#holding?.add(keycode);
    const repeat = this.#down.has(keycode);
    this.#down.add(keycode);
    this.listener.key(this.#arrived(event, 'down', repeat));
    if (begins) void this.#holdOn(time);
  }

  /** The passive grab ends with its own key; this one lasts until the hold key comes up. */
  async #holdOn(time: number): Promise<void> {
    const { client, root } = this.connection;
    const hold = this.#holds;
    await this.connection.tried<number>((done) =>
      client.GrabKeyboard(root, 0, time, ASYNCHRONOUS, ASYNCHRONOUS, done),
    );
    // A quick tap may be over by now, and its release has gone elsewhere.
    const down = await this.#downNow();
    if (!this.#held || hold !== this.#holds) return;
    if (down.size === 0) return this.#end(false);
    this.#holding = down;
    // A release that goes elsewhere all the same must not leave the keyboard with us.
    this.#watch = setInterval(() => void this.#endIfUp(hold), WATCH_MS);
  }

  /** Ends this hold, unless it has ended and another one has begun while the server was asked. */
  async #endIfUp(hold: number): Promise<void> {
    const down = await this.#downNow();
    if (down.size === 0 && this.#held && hold === this.#holds) this.#end(false);
  }

  async #released(event: XEvent): Promise<void> {
    if (!this.#held) return;
    const { keycode = 0 } = event;
    this.#down.delete(keycode);
    if (!this.#holdKeys.has(keycode)) return this.listener.key(this.#arrived(event, 'up', false));
    const shift = ((event.buttons ?? 0) & SHIFT) !== 0;
    // There may be two keys that hold, and only the last one counts. Which are down is known soon after the hold began.
    this.#holding?.delete(keycode);
    const hold = this.#holds;
    const others = this.#holding ?? (await this.#downNow());
    if (others.size === 0 && this.#held && hold === this.#holds) this.#end(shift);
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
