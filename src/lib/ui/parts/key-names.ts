/** How keys are called in sentences and for those who do not see them. */
import type { Invocation } from '../../core/actions/action';
import type { Bound, KeyMap } from '../../core/actions/views/key-map';
import { same } from '../../core/actions/views/key-map';
import type { Position } from '../../core/actions/binding';
import type { Chord } from '../../core/keys/chord';
import { seatOf } from '../../core/keys/writing-keys';
import { keyLabel } from '../../client/key-labels.svelte';
import { keySeatText } from '../words/texts';

/** What is printed on the key at a position, or where it is if that is not known. */
export function keyName(code: string): string {
  const seat = seatOf(code);
  return keyLabel(code) ?? (seat ? keySeatText(seat.row, seat.column + 1) : code);
}

/** A whole chord, e.g. `Alt Shift V`: what is pressed, in the order in which it goes down. */
export const chordName = (holdKey: string, { code, shift }: Position): string =>
  [holdKey, ...(shift ? ['Shift'] : []), keyName(code)].join(' ');

/** Keys by their names, as they are printed or drawn. */
const SIGNS: Readonly<Record<string, string>> = {
  ArrowDown: '↓',
  ArrowUp: '↑',
  ArrowLeft: '←',
  ArrowRight: '→',
  Escape: 'Esc',
  Delete: 'Del',
  Control: 'Ctrl',
  ContextMenu: 'Menu',
  PageDown: 'Page ↓',
  PageUp: 'Page ↑',
  ' ': 'Space',
};

/** The caps of a combination, in the order in which they go down. */
export const chordCaps = (holdKey: string, { code, hold, modifiers, shift }: Chord): string[] =>
  [...(hold ? [holdKey] : []), ...modifiers, ...(shift ? ['Shift'] : []), keyName(code)].map(
    (name) => SIGNS[name] ?? name,
  );

/** The caps of a key that does something without the hold key, in the order in which they go down. */
export const capsOf = ({ at, modifiers = [], shift }: Bound): string[] =>
  [...modifiers, ...(shift === true ? ['Shift'] : []), 'code' in at ? keyName(at.code) : at.key].map(
    (name) => SIGNS[name] ?? name,
  );

/** Keys that are held with something have that once, before all of them. */
export function capsTogether(bounds: readonly Bound[]): string[] {
  const caps = bounds.map(capsOf);
  const [first] = caps;
  const shared = first?.slice(0, -1) ?? [];
  const isShared = caps.every((one) => one.slice(0, -1).join() === shared.join());
  return isShared ? [...shared, ...caps.map((one) => one.at(-1) ?? '')] : caps.flat();
}

/** The first key that does something without the hold key, in words; empty if there is none. */
export function boundName({ bindings }: KeyMap, invocation: Invocation): string {
  const bound = bindings.find((one) => one.scope !== 'held' && same(one.invocation, invocation));
  return bound ? capsOf(bound).join(' ') : '';
}
