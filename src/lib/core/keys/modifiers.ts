import type { ArrivedKey, KeyInput, Modifier } from './key-input';

const FLAGS = { Alt: 'alt', Meta: 'meta', Shift: 'shift' } as const;
const MODIFIERS = Object.keys(FLAGS) as Modifier[];

/**
 * A modifier key that goes on to another layout when pressed with another one, or alone, sends one of these names
 * (Keyboard Event Key Values, W3C) and sets no modifier state; the finger still means the modifier.
 */
const LAYOUT_KEYS: ReadonlySet<string> = new Set([
  'GroupFirst',
  'GroupLast',
  'GroupNext',
  'GroupPrevious',
  'ModeChange',
]);

type Writable<T> = { -readonly [K in keyof T]: T[K] };

interface Down {
  readonly modifier: Modifier;
  /** Whether the browser's modifier state does not tell of it. */
  readonly untold: boolean;
}

/** The modifier keys that are down, by position. */
export type ModifiersDown = ReadonlyMap<string, Down>;

/** No modifier has been seen going down. */
export const NONE_DOWN: ModifiersDown = new Map();

/**
 * Reads a key event as it arrived: which modifier its key is, and the modifiers after it. Browsers disagree about
 * both. Measured with real keys in Firefox 153 and Chromium 156 on X11: Alt with Shift down arrives as `Meta` at
 * `AltLeft`; Meta's own keyup still says that Meta is down, and with both Alts down either engine says something else
 * when one comes up; where Alt with Shift switches the layout, one of the two arrives as `GroupNext`.
 */
export function readModifiers(
  before: ModifiersDown,
  arrived: ArrivedKey,
): { readonly down: ModifiersDown; readonly input: KeyInput } {
  const own = before.get(arrived.code)?.modifier ?? modifierAt(arrived);
  const down = new Map(before);
  if (own && arrived.phase === 'down')
    down.set(arrived.code, { modifier: own, untold: LAYOUT_KEYS.has(arrived.key) });
  else down.delete(arrived.code);
  const input: Writable<KeyInput> = { ...arrived, modifier: own };
  for (const modifier of MODIFIERS) {
    const held = [...down].filter(([, key]) => key.modifier === modifier);
    if (modifier === own) input[FLAGS[modifier]] = held.length > 0;
    else if (isUntoldDown(down, modifier)) input[FLAGS[modifier]] = true;
    // Its keyup was not seen.
    else if (!arrived[FLAGS[modifier]]) for (const [code] of held) down.delete(code);
  }
  return { down, input };
}

/** Whether a modifier's key is down of which the modifier state of events does not tell. */
export const isUntoldDown = (down: ModifiersDown, modifier: Modifier): boolean =>
  [...down.values()].some((key) => key.untold && key.modifier === modifier);

/** Which modifier a key is on the layout that is in use. */
function modifierAt({ key, code, phase, alt, meta }: ArrivedKey): Modifier | null {
  const position = /^(Alt|Shift)(Left|Right)$/.exec(code)?.[1] as 'Alt' | 'Shift' | undefined;
  if (position && LAYOUT_KEYS.has(key)) return position;
  if (key === 'Meta' && position === 'Alt') {
    // Alt and Meta may have changed places; what the modifiers are after the event tells, or of a keyup, before it.
    const isAlt = phase === 'down' ? alt : !meta;
    return isAlt ? 'Alt' : 'Meta';
  }
  return MODIFIERS.find((modifier) => modifier === key) ?? null;
}
