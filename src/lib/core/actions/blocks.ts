/** Where the keys lie that come with Key Fold. */
import { seatOf, codeAt } from '../keys/writing-keys';
import type { Block } from '../slices/settings/state';
import type { Binding } from './binding';

/** The keys of an action in a block: those it comes with, mirrored, or with what only a window of its own lets through. */
export function inBlock(action: string, bindings: readonly Binding[], block: Block): readonly Binding[] {
  switch (block) {
    case 'left':
      return bindings;
    case 'right':
      return bindings.map(mirrored);
    case 'window':
      return [...bindings, ...(OF_WINDOWS[action] ?? [])];
  }
}

/** Keys that many programs use for this (common practice), and that a browser keeps to itself in its tabs. */
const OF_WINDOWS: Readonly<Record<string, readonly Binding[]>> = {
  close: [withControl('KeyW')],
  'close-all': [withControl('KeyW', true)],
  'new-window': [withControl('KeyN')],
};

function withControl(code: string, shift = false): Binding {
  return { scope: 'anywhere', at: { code }, shift, modifiers: ['Control'] };
}

/**
 * The key that lies under the same finger of the other hand. Digits stay: they are the places, from the top.
 * @example mirroredCode('KeyF') // 'KeyJ'
 */
export function mirroredCode(code: string): string {
  const seat = code.startsWith('Digit') ? null : seatOf(code);
  return (seat && codeAt({ row: seat.row, column: LAST_COLUMN - seat.column })) ?? code;
}

/** The last of ten columns. */
const LAST_COLUMN = 9;

const mirrored = (binding: Binding): Binding =>
  binding.scope === 'held' && 'code' in binding.at
    ? { ...binding, at: { code: mirroredCode(binding.at.code) } }
    : binding;
