/** A real keyboard, as far as programs can tell: key events made by the X server itself (XTEST). */
import { execFileSync } from 'node:child_process';
import type { FakeInput } from 'x11';
import type { XConnection } from '../../src/agent/x11/x-connection';

/**
 * X key codes of positions, named as in the UI Events `code` values: the Linux input event codes (`input-event-codes.h`)
 * and eight.
 */
export const KEYCODES = {
  ...row(
    10,
    'Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal Backspace Tab',
  ),
  ...row(24, 'KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP BracketLeft BracketRight Enter ControlLeft'),
  ...row(38, 'KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote Backquote ShiftLeft Backslash'),
  ...row(52, 'KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash ShiftRight'),
  ...row(64, 'AltLeft Space CapsLock F1 F2 F3 F4 F5 F6 F7 F8 F9 F10 NumLock'),
  ...row(108, 'AltRight'),
  ...row(110, 'Home ArrowUp PageUp ArrowLeft ArrowRight End ArrowDown PageDown'),
  ...row(133, 'MetaLeft MetaRight'),
  Escape: 9,
  IntlBackslash: 94,
} as Readonly<Record<string, number>>;

function row(first: number, codes: string): Record<string, number> {
  return Object.fromEntries(codes.split(' ').map((code, n) => [code, first + n]));
}

const POSITIONS = new Map(Object.entries(KEYCODES).map(([code, keycode]) => [keycode, code]));
/** The position of a key code; the key code itself where that is none of those that are pressed here. */
export const positionOf = (keycode = 0): string => POSITIONS.get(keycode) ?? String(keycode);

/** The keys of small letters and spaces on a US keyboard. */
export const keysOf = (text: string): string[] =>
  [...text].map((letter) => (letter === ' ' ? 'Space' : `Key${letter.toUpperCase()}`));

const KEY_PRESS = 2;
const KEY_RELEASE = 3;
const BUTTON_PRESS = 4;
const BUTTON_RELEASE = 5;
const MOTION = 6;

export class Keyboard {
  readonly #down = new Set<string>();

  private constructor(
    readonly display: string,
    readonly connection: XConnection,
    readonly fake: FakeInput,
  ) {}

  static async of(display: string, connection: XConnection): Promise<Keyboard> {
    const { FakeInput } = await new Promise<{ FakeInput: FakeInput }>((resolve, reject) =>
      connection.client.require('xtest', (error, xtest) => (error ? reject(error) : resolve(xtest))),
    );
    return new Keyboard(display, connection, FakeInput);
  }

  /** Presses keys and leaves them down. Resolves once the server has made the events. */
  async down(...codes: string[]): Promise<this> {
    for (const code of codes) this.#send(code, true);
    await this.connection.client.sync();
    return this;
  }

  async up(...codes: string[]): Promise<this> {
    for (const code of codes) this.#send(code, false);
    await this.connection.client.sync();
    return this;
  }

  /** Presses each key and lets it go, one after the other, as fast as the server takes them. `KeyS`, `Shift+KeyX` … */
  async tap(...keys: string[]): Promise<this> {
    this.#tap(keys);
    await this.connection.client.sync();
    return this;
  }

  /** A chord and what is tapped after it, all made before any program hears of any of it. */
  async burst(hold: string, key: string, after: readonly string[]): Promise<void> {
    this.#send(hold, true);
    this.#tap([key]);
    this.#send(hold, false);
    this.#tap(after);
    await this.connection.client.sync();
  }

  /** Holds a key, taps others, and lets go. */
  async chord(hold: string, ...keys: string[]): Promise<this> {
    await this.down(hold);
    await this.tap(...keys);
    return this.up(hold);
  }

  /** Whether no program has taken the whole keyboard. */
  async isFree(): Promise<boolean> {
    const { client, root } = this.connection;
    const status = await this.connection.reply<number>((done) => client.GrabKeyboard(root, 0, 0, 1, 1, done));
    if (status === 0) client.UngrabKeyboard(0);
    return status === 0;
  }

  /** Lets go of whatever is still down. */
  async rest(): Promise<void> {
    await this.up(...this.#down);
  }

  /** Types small letters and spaces. */
  type(text: string): Promise<this> {
    return this.tap(...keysOf(text));
  }

  /** Moves the pointer. In pixels from the screen's corner. */
  async point(x: number, y: number): Promise<void> {
    this.fake(MOTION, 0, 0, this.connection.root, x, y);
    await this.connection.client.sync();
  }

  async click(x: number, y: number): Promise<void> {
    await this.point(x, y);
    this.fake(BUTTON_PRESS, 1, 0, this.connection.root, 0, 0);
    this.fake(BUTTON_RELEASE, 1, 0, this.connection.root, 0, 0);
    await this.connection.client.sync();
  }

  /**
   * Sets what the keys mean, with options of xkb-data such as `grp:alt_shift_toggle`.
   * @param layouts names of xkb-data, e.g. `us,ru`
   */
  layout(layouts: string, ...options: string[]): void {
    const wanted = options.flatMap((option) => ['-option', option]);
    execFileSync('setxkbmap', ['-display', this.display, '-layout', layouts, '-option', '', ...wanted]);
  }

  #tap(keys: readonly string[]): void {
    for (const key of keys) {
      const codes = key.replace('Shift+', 'ShiftLeft ').split(' ');
      for (const code of codes) this.#send(code, true);
      for (const code of codes.reverse()) this.#send(code, false);
    }
  }

  #send(code: string, down: boolean): void {
    const keycode = KEYCODES[code];
    if (keycode === undefined) throw new Error(`There is no key at ${code}.`);
    if (down) this.#down.add(code);
    else this.#down.delete(code);
    this.fake(down ? KEY_PRESS : KEY_RELEASE, keycode, 0, this.connection.root, 0, 0);
  }
}
