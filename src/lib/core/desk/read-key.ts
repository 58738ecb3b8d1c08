import { FRESH, type Invocation, type Moment } from '../actions/action';
import type { Scope } from '../actions/binding';
import type { ChordModifier } from '../keys/chord';
import type { Registry } from '../actions/registry';
import type { KeyMap } from '../actions/views/key-map';
import {
  isComposing,
  isHeld,
  isHoldKey,
  isHoldKeyDown,
  modifiersOf,
  type Caret,
  type KeyInput,
} from '../keys/key-input';
import { holdKeyOf, type Settings, type UsableHoldKey } from '../slices/settings/state';
import type { Switcher } from '../switcher/switcher';

/** What the person wants, read from one key event in its surroundings. */
export type KeyMeaning =
  | { readonly type: 'invoke'; readonly invocation: Invocation; readonly moment: Moment }
  /** A letter for the search line, typed before the hold key came up. */
  | { readonly type: 'text'; readonly text: string }
  /** A letter of the name of what is looked for in the index. */
  | { readonly type: 'seek'; readonly letter: string }
  /** Takes the last letter of the search line back. */
  | { readonly type: 'erase' }
  | { readonly type: 'hold-down' }
  | { readonly type: 'hold-up'; readonly shift: boolean }
  /** A bound key whose auto-repeat does nothing: swallowed, so that neither page nor browser acts on it. */
  | { readonly type: 'swallow' };

/** What the keys mean depends on this much of the page. */
export interface Surroundings {
  readonly switcher: 'closed' | Switcher['mode'];
  /** True while the search line has text, so that the keys that move the caret belong to it. */
  readonly typed: boolean;
  /** Where the caret of the text line stands that has the focus; null where there is none. */
  readonly caret: Caret | null;
  /** True while this very key is still down from a press that was taken, so that its auto-repeat is never text. */
  readonly taken: boolean;
  /** True from the search key on until the hold key comes up: people type before they let go (rule 11). */
  readonly searching: boolean;
  /** True while the index is walked. */
  readonly walking: boolean;
  /** True while a window is placed. */
  readonly placing: boolean;
  /** True while the survey is open. */
  readonly surveying: boolean;
  readonly settings: Settings;
  readonly registry: Registry;
  readonly keys: KeyMap;
}

/** What a key event asks for; null when it belongs to the page or the browser. */
export function readKey(input: KeyInput, around: Surroundings): KeyMeaning | null {
  const released = input.phase === 'up' && isHoldKey(input, holdKeyOf(around.settings));
  if (isComposing(input) && !released) return null;
  const leftover = input.phase === 'down' && input.repeat && around.taken;
  return meaningOf(input, around) ?? (leftover ? { type: 'swallow' } : null);
}

function meaningOf(input: KeyInput, around: Surroundings): KeyMeaning | null {
  const holdKey = holdKeyOf(around.settings);
  if (isHoldKey(input, holdKey)) return ofHoldKey(input, holdKey);
  if (input.phase === 'up') return ofRelease(input, around);
  if (isHeld(input, holdKey)) return whileHeld(input, around);
  return input.altGraph ? null : withoutHoldKey(input, around);
}

function withoutHoldKey(input: KeyInput, around: Surroundings): KeyMeaning | null {
  const modifiers = modifiersOf(input);
  if (around.placing) return whilePlacing(input, around, modifiers);
  // The line has the keys that come to the page by themselves.
  if (input.handedOn && modifiers.length === 0 && around.switcher !== 'closed')
    return intoSearch(input, around);
  if (around.surveying) return invoked(input, inSurvey(around), around, modifiers);
  const scopes: readonly Scope[] = around.walking ? ['index'] : inSwitcher(around);
  const meaning = invoked(input, [...scopes, 'anywhere'], around, modifiers);
  if (meaning || !around.walking || modifiers.length > 0) return meaning;
  return [...input.key].length === 1 ? { type: 'seek', letter: input.key } : null;
}

/** What is typed filters: only a space before anything else does not. */
const inSurvey = ({ typed }: Surroundings): readonly Scope[] => [
  ...(typed ? [] : (['survey-bare'] as const)),
  'survey',
  'anywhere',
];

/** What is typed goes nowhere; what other keys are held with may still be the browser's. */
function whilePlacing(
  input: KeyInput,
  around: Surroundings,
  modifiers: readonly ChordModifier[],
): KeyMeaning | null {
  const meaning = invoked(input, ['placing', 'anywhere'], around, modifiers);
  return meaning ?? (modifiers.length === 0 ? { type: 'swallow' } : null);
}

/** It comes up when the last of the keys that are the hold key does. */
function ofHoldKey(input: KeyInput, holdKey: UsableHoldKey): KeyMeaning {
  if (input.phase === 'down') return { type: 'hold-down' };
  return isHoldKeyDown(input, holdKey) ? { type: 'swallow' } : { type: 'hold-up', shift: input.shift };
}

/** What lasts while its key is down ends with it, though the hold key may have come up first. */
function ofRelease({ code, key }: KeyInput, { keys, registry, taken }: Surroundings): KeyMeaning | null {
  const bound = taken ? keys.at(['held'], { code, key, shift: false }) : null;
  if (!bound || registry.action(bound.invocation.action).press !== 'while-down') return null;
  return { type: 'invoke', invocation: bound.invocation, moment: { repeat: false, released: true } };
}

function whileHeld(input: KeyInput, around: Surroundings): KeyMeaning | null {
  const open = around.switcher !== 'closed';
  if (around.searching && open) return intoSearch(input, around);
  // The hold key may be down still from what began it.
  const scopes: readonly Scope[] = around.placing
    ? ['placing']
    : around.surveying
      ? ['survey-held', 'survey', 'held']
      : [];
  const inMode = scopes.length > 0 ? invoked(input, scopes, around) : null;
  if (inMode || around.surveying) return inMode ?? { type: 'swallow' };
  return invoked(input, ['held', ...inSwitcher(around)], around) ?? (open ? { type: 'swallow' } : null);
}

/** Nothing that is typed for the search line may close or quit anything. */
function intoSearch(input: KeyInput, around: Surroundings): KeyMeaning {
  if (input.key === 'Backspace') return { type: 'erase' };
  if ([...input.key].length === 1) return { type: 'text', text: input.key };
  return invoked(input, inSwitcher(around), around) ?? { type: 'swallow' };
}

/** The scopes of the open switcher; none while it is closed. */
function inSwitcher({ switcher, typed, caret }: Surroundings): readonly Scope[] {
  if (switcher === 'closed') return [];
  if (!typed) return ['rows', 'list'];
  // There the caret has nowhere to go, so the keys that move it mean something else.
  const atEnd: readonly Scope[] = caret === 'end' || caret === 'both' ? ['at-end'] : [];
  const atStart: readonly Scope[] = caret === 'start' || caret === 'both' ? ['at-start'] : [];
  return [...atEnd, ...atStart, 'list'];
}

function invoked(
  input: KeyInput,
  scopes: readonly Scope[],
  around: Surroundings,
  modifiers: readonly ChordModifier[] = [],
): KeyMeaning | null {
  const { code, key, shift } = input;
  const bound = around.keys.at(scopes, { code, key, shift, modifiers });
  if (!bound) return null;
  const { invocation, scope } = bound;
  const { repeat } = input;
  const repeats = around.registry.action(invocation.action).press === 'repeats';
  // Opening takes a fresh press: a key that was down before the hold key opens nothing.
  const stale = scope === 'held' && around.switcher === 'closed';
  if (repeat && (!repeats || stale)) return { type: 'swallow' };
  return { type: 'invoke', invocation, moment: { ...FRESH, repeat } };
}
