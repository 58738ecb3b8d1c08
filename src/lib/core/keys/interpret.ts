import { holdKeyOf, type Settings, type UsableHoldKey } from '../slices/settings/state';
import type { Step, Switcher } from '../switcher/switcher';
import { isComposing, isHeld, isHoldKey, isHoldKeyDown, type KeyInput } from './key-input';
import { heldKeyAt, isStep, KEY_MAP, type Action } from './key-map';

/** What the person wants, read from one key event in its surroundings. */
export type Intent =
  | { readonly type: 'step'; readonly step: Step; readonly repeat: boolean }
  | { readonly type: 'act'; readonly action: Action }
  | { readonly type: 'search' }
  /** To the next window that asks about unsaved work. */
  | { readonly type: 'next-question' }
  /** A letter for the search line, typed before the hold key came up. */
  | { readonly type: 'text'; readonly text: string }
  /** Takes the last letter of the search line back. */
  | { readonly type: 'erase' }
  | { readonly type: 'glance'; readonly on: boolean }
  | { readonly type: 'jump'; readonly rows: number }
  | { readonly type: 'jump-leaf'; readonly to: 'first' | 'last' }
  | { readonly type: 'commit'; readonly raiseAll: boolean }
  | { readonly type: 'cancel' }
  | { readonly type: 'hold-down' }
  | { readonly type: 'hold-up'; readonly shift: boolean }
  /** A bound key whose auto-repeat does nothing: swallowed, so that neither page nor browser acts on it. */
  | { readonly type: 'swallow' };

/** What the keys mean depends on this much of the page. */
export interface Surroundings {
  readonly switcher: 'closed' | Switcher['mode'];
  /** True while the search line has text, so that the keys that move the caret belong to it. */
  readonly typed: boolean;
  /** True while this very key is still down from a press that was taken, so that its auto-repeat is never text. */
  readonly taken: boolean;
  /** True from the search key on until the hold key comes up: people type before they let go (rule 11). */
  readonly searching: boolean;
  readonly settings: Settings;
}

/** Rows that Page Up and Page Down move by. */
export const PAGE_ROWS = 5;

/** What a key event asks for; null when it belongs to the page or the browser. */
export function interpret(input: KeyInput, around: Surroundings): Intent | null {
  const released = input.phase === 'up' && isHoldKey(input, holdKeyOf(around.settings));
  if (isComposing(input) && !released) return null;
  const leftover = input.phase === 'down' && input.repeat && around.taken;
  return meaningOf(input, around) ?? (leftover ? { type: 'swallow' } : null);
}

function meaningOf(input: KeyInput, around: Surroundings): Intent | null {
  const holdKey = holdKeyOf(around.settings);
  if (isHoldKey(input, holdKey)) return ofHoldKey(input, holdKey);
  if (input.phase === 'up')
    return input.code === KEY_MAP.glance.code && around.taken ? { type: 'glance', on: false } : null;
  if (isHeld(input, holdKey)) return whileHeld(input, around);
  const plain = !input.alt && !input.control && !input.meta && !input.altGraph;
  return plain && around.switcher !== 'closed' ? inSwitcher(input, around) : null;
}

/** It comes up when the last of the keys that are the hold key does. */
function ofHoldKey(input: KeyInput, holdKey: UsableHoldKey): Intent {
  if (input.phase === 'down') return { type: 'hold-down' };
  return isHoldKeyDown(input, holdKey) ? { type: 'swallow' } : { type: 'hold-up', shift: input.shift };
}

/** Nothing that is typed for the search line may close or quit anything. */
function intoSearch(input: KeyInput, around: Surroundings): Intent {
  if (input.key === 'Backspace') return { type: 'erase' };
  if ([...input.key].length === 1) return { type: 'text', text: input.key };
  return inSwitcher(input, around) ?? { type: 'swallow' };
}

function whileHeld(input: KeyInput, around: Surroundings): Intent | null {
  if (around.searching && around.switcher !== 'closed') return intoSearch(input, around);
  const held = heldKeyAt(input);
  if (held === null)
    return around.switcher === 'closed' ? null : (inSwitcher(input, around) ?? { type: 'swallow' });
  if (isStep(held)) {
    // Opening takes a fresh press: a key that was down before the hold key opens nothing.
    const stale = input.repeat && around.switcher === 'closed';
    return stale ? { type: 'swallow' } : { type: 'step', step: held, repeat: input.repeat };
  }
  if (input.repeat) return { type: 'swallow' };
  if (held === 'glance') return { type: 'glance', on: true };
  if (held === 'search' || held === 'next-question') return { type: held };
  return { type: 'act', action: held };
}

/** The keys that every list understands. */
function inSwitcher(input: KeyInput, around: Surroundings): Intent | null {
  const { repeat } = input;
  switch (input.key) {
    case 'ArrowDown':
      return { type: 'step', step: 'older-application', repeat };
    case 'Tab':
      return { type: 'step', step: input.shift ? 'newer-application' : 'older-application', repeat };
    case 'ArrowUp':
      return { type: 'step', step: 'newer-application', repeat };
    case 'ArrowRight':
      return around.typed ? null : { type: 'step', step: 'next-window', repeat };
    case 'ArrowLeft':
      return around.typed ? null : { type: 'step', step: 'previous-window', repeat };
    case 'PageDown':
      return { type: 'jump', rows: PAGE_ROWS };
    case 'PageUp':
      return { type: 'jump', rows: -PAGE_ROWS };
    case 'Home':
      if (around.typed) return null;
      return input.shift ? { type: 'jump-leaf', to: 'first' } : { type: 'jump', rows: -Infinity };
    case 'End':
      if (around.typed) return null;
      return input.shift ? { type: 'jump-leaf', to: 'last' } : { type: 'jump', rows: Infinity };
    case 'Enter':
      return repeat ? { type: 'swallow' } : { type: 'commit', raiseAll: input.shift };
    case 'Escape':
      return { type: 'cancel' };
    default:
      return null;
  }
}
