import { MODIFIERS, type ChordModifier } from './chord';
import type { UsableHoldKey } from '../slices/settings/state';

/** The modifiers that this application looks at by their keys; Control and AltGraph only ever by their state. */
export type Modifier = 'Alt' | 'Meta' | 'Shift';

/** Where a caret stands in a line of text: at its start, at its end, or at both because the line is empty. */
export type Caret = 'start' | 'end' | 'both';

/** What a key event says as it arrives, without the event: keys are matched by position (`code`), never by character. */
export interface ArrivedKey {
  readonly phase: 'down' | 'up';
  /** The position, as in the UI Events `code` values, e.g. `KeyS`. */
  readonly code: string;
  /** The character or key name, as in the UI Events `key` values; `Dead` and `Process` while composing. */
  readonly key: string;
  readonly alt: boolean;
  readonly control: boolean;
  readonly meta: boolean;
  readonly shift: boolean;
  readonly altGraph: boolean;
  readonly repeat: boolean;
  readonly composing: boolean;
  /** Where the caret of the line stands that it goes to; absent within it, and where there is no line. */
  readonly caret?: Caret;
  /** Whether it goes to the foot line; absent for no. */
  readonly atFoot?: boolean;
  /** Whether something else has handed it on, so that no line of text has it by itself; absent for no. */
  readonly handedOn?: boolean;
}

/** A key event once `readModifiers` has read it: its modifiers are those after the event. */
export interface KeyInput extends ArrivedKey {
  /** Which modifier the key itself is; null if it is none. */
  readonly modifier: Modifier | null;
}

/** Keys that do nothing but change what others do (UI Events Key Values, W3C, "Modifier Keys"). */
const MODIFYING: ReadonlySet<string> = new Set(
  'Alt AltGraph CapsLock Control Fn FnLock Meta NumLock ScrollLock Shift Symbol SymbolLock'.split(' '),
);

/** Whether a key of this name does nothing but change what others do. */
export const isModifierName = (key: string): boolean => MODIFYING.has(key);

/** Whether a key is part of a combination, and none by itself. */
export const isModifying = ({ key, modifier }: KeyInput): boolean => modifier !== null || isModifierName(key);

/** Whether this event is the hold key itself going down or up. AltGraph is never the hold key. */
export const isHoldKey = ({ modifier }: KeyInput, holdKey: UsableHoldKey): boolean => modifier === holdKey;

/** Whether the hold key is down after this event, alone or not. */
export const isHoldKeyDown = ({ alt, meta }: ArrivedKey, holdKey: UsableHoldKey): boolean =>
  ({ Alt: alt, Meta: meta })[holdKey];

/** Whether an input method is at work: then nothing that goes down is a shortcut. */
export const isComposing = ({ composing, key }: ArrivedKey): boolean => composing || key === 'Process';

/**
 * Whether exactly the hold key is held (with or without Shift). AltGraph types characters, and so does Control
 * with Alt on one platform, so neither counts.
 */
export function isHeld(input: KeyInput, holdKey: UsableHoldKey): boolean {
  const others = { Alt: input.meta, Meta: input.alt }[holdKey] || input.control || input.altGraph;
  return isHoldKeyDown(input, holdKey) && !others;
}

const FLAGS = { Control: 'control', Alt: 'alt', Meta: 'meta' } as const;

/** The modifiers besides Shift that are down. */
export const modifiersOf = (input: ArrivedKey): ChordModifier[] =>
  MODIFIERS.filter((modifier) => input[FLAGS[modifier]]);
