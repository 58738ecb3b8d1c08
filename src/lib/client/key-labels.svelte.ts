import type { Position } from '../core/keys/key-map';

/** The part of the Keyboard Map draft (WICG) that some browsers have. */
interface KeyboardWithMap {
  getLayoutMap(): Promise<ReadonlyMap<string, string>>;
}

let layout = $state.raw<ReadonlyMap<string, string>>(new Map());

/** Asks the browser what is printed on the keys, where it can tell. */
export async function learnKeyLabels(): Promise<void> {
  const keyboard = (navigator as Navigator & { keyboard?: KeyboardWithMap }).keyboard;
  try {
    layout = (await keyboard?.getLayoutMap()) ?? layout;
  } catch {
    // Not allowed here: the labels of the common layout stand.
  }
}

/** What is printed on the key at a position, e.g. `S` for `KeyS`. */
export function keyLabel(code: string): string {
  const printed = layout.get(code);
  if (printed) return printed.toUpperCase();
  return code.replace(/^(Key|Digit)/, '');
}

/** A whole chord, e.g. `Alt Shift V`: what is pressed, in the order in which it goes down. */
export const chordLabel = (holdKey: string, { code, shift }: Position): string =>
  [holdKey, ...(shift ? ['Shift'] : []), keyLabel(code)].join(' ');
