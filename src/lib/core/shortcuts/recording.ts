/** From a key that was pressed to a combination that can be chosen. */
import { isHeld, modifiersOf, type KeyInput } from '../keys/key-input';
import type { Chord } from '../keys/chord';
import { seatOf } from '../keys/writing-keys';
import type { UsableHoldKey } from '../slices/settings/state';

/** Why a combination cannot be chosen, wherever it arrives. */
export type NoChord =
  /** It types a character on some layout: with AltGraph, or with Control and Alt where that is the same. */
  | 'alt-graph'
  /** Alone, or with Shift, it writes, moves or chooses. */
  | 'writes'
  /** An input method is at work. */
  | 'composing';

/** What was recorded. */
export type Recorded = { readonly chord: Chord } | { readonly not: NoChord; readonly code: string };

/**
 * The combination of a key going down that is no modifier. That Control with Alt types characters on one platform is common
 * practice; function keys do so on none. Those and the menu key neither write nor move, so they stand alone.
 */
export function recordedFrom(input: KeyInput, holdKey: UsableHoldKey): Recorded {
  const { code, shift } = input;
  if (input.composing || input.key === 'Process') return { not: 'composing', code };
  if (input.altGraph) return { not: 'alt-graph', code };
  if (isHeld(input, holdKey)) return { chord: { code, shift, hold: true, modifiers: [] } };
  const modifiers = modifiersOf(input);
  const control = modifiers.includes('Control') && modifiers.includes('Alt');
  if (control && (seatOf(code) !== null || code === 'Space')) return { not: 'alt-graph', code };
  if (modifiers.length === 0 && !/^(F\d+|ContextMenu)$/.test(code)) return { not: 'writes', code };
  return { chord: { code, shift, hold: false, modifiers } };
}
