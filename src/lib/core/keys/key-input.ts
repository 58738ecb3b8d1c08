import type { UsableHoldKey } from '../session/session';

/** What a key event says, without the event: keys are matched by position (`code`), never by character. */
export interface KeyInput {
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
}

/** Whether this event is the hold key itself going down or up. AltGraph is never the hold key. */
export const isHoldKey = (input: KeyInput, holdKey: UsableHoldKey): boolean => input.key === holdKey;

/**
 * Whether exactly the hold key is held (with or without Shift). AltGraph types characters, and so does Control
 * with Alt on one platform, so neither counts.
 */
export function isHeld(input: KeyInput, holdKey: UsableHoldKey): boolean {
  if (input.altGraph) return false;
  const held = { Alt: input.alt, Control: input.control, Meta: input.meta };
  const others = Object.entries(held).some(([name, down]) => down && name !== holdKey);
  return held[holdKey] && !others;
}
