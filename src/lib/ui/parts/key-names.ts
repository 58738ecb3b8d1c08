/** How keys are called in sentences and for those who do not see them. */
import type { Position } from '../../core/actions/binding';
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
