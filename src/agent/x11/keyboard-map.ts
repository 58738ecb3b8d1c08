import type { XEvent, XkbExtension } from 'x11';
import type { ArrivedKey } from '../../lib/core/keys/key-input';
import type { UsableHoldKey } from '../../lib/core/slices/settings/state';
import { keyValue, XKB_NAMES } from './positions';
import type { XConnection } from './x-connection';

/** Bits of the modifiers in an event's state (X11 protocol, SETofKEYBUTMASK). */
export const SHIFT = 1;
const [LOCK, CONTROL] = [2, 4];
/** Keysyms of keys that modifiers are found by (X11 protocol, appendix A). */
const KEYSYMS = {
  Alt: [0xffe9, 0xffea],
  Meta: [0xffeb, 0xffec],
  AltGraph: [0xfe03, 0xff7e],
  NumLock: [0xff7f],
  ScrollLock: [0xff14],
} as const;
type Modifier = keyof typeof KEYSYMS;

/** What the server says of its keyboard. */
interface Read {
  readonly firstKey: number;
  /** What XKB calls the keys, from the first key code on. */
  readonly names: readonly string[];
  /** What each key means, from the first key code on. */
  readonly keysyms: readonly (readonly number[])[];
  /** The key codes of each modifier, by the number of its bit. */
  readonly modifiers: readonly (readonly number[])[];
}

/** What the keys of a display's keyboard are, as it is just now: positions, meanings, modifiers. */
export class KeyboardMap {
  readonly #codes = new Map<number, string>();
  readonly #keycodes = new Map<string, number>();
  readonly #masks: Readonly<Record<Modifier, number>>;

  private constructor(readonly read: Read) {
    const byName = new Map(read.names.map((name, n) => [name, read.firstKey + n]));
    for (const [code, name] of XKB_NAMES) {
      const keycode = byName.get(name);
      if (keycode === undefined) continue;
      this.#keycodes.set(code, keycode);
      this.#codes.set(keycode, code);
    }
    const maskOf = (modifier: Modifier) => {
      const means = (keycode: number) => this.#symsOf(keycode).some((sym) => is(KEYSYMS[modifier], sym));
      const has = (keycodes: readonly number[]) =>
        keycodes.some((keycode) => keycode !== 0 && means(keycode));
      return read.modifiers.reduce((mask, keycodes, bit) => (has(keycodes) ? mask | (1 << bit) : mask), 0);
    };
    this.#masks = {
      Alt: maskOf('Alt'),
      Meta: maskOf('Meta'),
      AltGraph: maskOf('AltGraph'),
      NumLock: maskOf('NumLock'),
      ScrollLock: maskOf('ScrollLock'),
    };
  }

  static async read(connection: XConnection, xkb: XkbExtension): Promise<KeyboardMap> {
    const { client } = connection;
    const [{ firstKey, keyNames: names }, modifiers] = await Promise.all([
      connection.reply<{ firstKey: number; keyNames: readonly string[] }>((done) =>
        xkb.GetNames(xkb.UseCoreKbd, xkb.NameDetail.KeyNames, done),
      ),
      connection.reply<readonly (readonly number[])[]>((done) => client.GetModifierMapping(done)),
    ]);
    const keysyms = await connection.reply<readonly (readonly number[])[]>((done) =>
      client.GetKeyboardMapping(firstKey, names.length, done),
    );
    return new KeyboardMap({ firstKey, names, keysyms, modifiers });
  }

  /** The bit of a hold key in the state of the modifiers; 0 if no key has it. */
  maskOf(holdKey: UsableHoldKey): number {
    return this.#masks[holdKey];
  }

  /** Whether a key is one of those that make this modifier. */
  makes(keycode: number, mask: number): boolean {
    return this.read.modifiers.some(
      (keycodes, bit) => (mask & (1 << bit)) !== 0 && keycodes.includes(keycode),
    );
  }

  /** The key at a position with every state of the modifiers in which it is held; none if there is no such key. */
  heldStatesOf(position: string, holdKey: UsableHoldKey): { keycode: number; state: number }[] {
    const keycode = this.#keycodes.get(position);
    const hold = this.#masks[holdKey];
    if (keycode === undefined || hold === 0) return [];
    return [hold, hold | SHIFT].flatMap((state) =>
      this.#lockStates().map((locks) => ({ keycode, state: state | locks })),
    );
  }

  /** A key as a page hears it. */
  arrived({ keycode = 0, buttons = 0 }: XEvent, phase: ArrivedKey['phase'], repeat: boolean): ArrivedKey {
    const code = this.#codes.get(keycode) ?? '';
    const shift = (buttons & SHIFT) !== 0;
    const syms = this.#symsOf(keycode);
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

  #symsOf(keycode: number): readonly number[] {
    return this.read.keysyms[keycode - this.read.firstKey] ?? [];
  }

  /** A passive grab must match the state of all modifiers, so there is one for each state of the locks. */
  #lockStates(): number[] {
    const locks = [...new Set([LOCK, this.#masks.NumLock, this.#masks.ScrollLock])].filter(Boolean);
    return locks.reduce((states, lock) => states.flatMap((state) => [state, state | lock]), [0]);
  }
}

const is = (keysyms: readonly number[], sym: number): boolean => keysyms.includes(sym);
