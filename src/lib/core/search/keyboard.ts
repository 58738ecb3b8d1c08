/** Which keys lie beside each other, by what is printed on them. */
import { seatOf, WRITING_KEYS, type KeyRow } from '../keys/writing-keys';
import { fold } from './letters';

/** For each letter those on the keys around it. */
export type Neighbours = ReadonlyMap<string, string>;

/**
 * How far the rows are set off to the right, in keys, and where they lie: on a standard keyboard they are staggered by a
 * half, a quarter and a half of a key (common practice).
 */
const ROWS: Readonly<Record<KeyRow, { readonly x: number; readonly y: number }>> = {
  digits: { x: -0.5, y: 0 },
  top: { x: 0, y: 1 },
  home: { x: 0.25, y: 2 },
  bottom: { x: 0.75, y: 3 },
};
/** The middles of neighbouring keys are not farther from each other than this, in keys. */
const NEAR = 1.3;

/**
 * The neighbours of each letter on a keyboard. `written` tells what is on the key at a position, null if it is not known:
 * then it is taken to be what the position is named after in UI Events.
 * @example neighboursOn(() => null).get('a') // 'qwsz'
 */
export function neighboursOn(written: (code: string) => string | null): Neighbours {
  const known = new Map(WRITING_KEYS.map((code) => [code, fold(written(code) ?? '')]));
  const told = new Set(known.values());
  const namedAfter = (code: string) => {
    const letter = /^(?:Key|Digit)(.)$/.exec(code)?.[1]?.toLowerCase() ?? '';
    return told.has(letter) ? '' : letter;
  };
  const keys = WRITING_KEYS.flatMap((code) => {
    const letter = known.get(code) || namedAfter(code);
    const seat = seatOf(code);
    if (!seat || !/^[\p{L}\p{N}]$/u.test(letter)) return [];
    return [{ letter, x: seat.column + ROWS[seat.row].x, y: ROWS[seat.row].y }];
  });
  const around = ({ letter, x, y }: (typeof keys)[number]) =>
    keys.filter((other) => other.letter !== letter && Math.hypot(other.x - x, other.y - y) <= NEAR);
  return new Map(
    keys.map((key) => [
      key.letter,
      around(key)
        .map(({ letter }) => letter)
        .join(''),
    ]),
  );
}
