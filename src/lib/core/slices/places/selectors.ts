import { DIGITS, type Digit, type Places, type PlacesState, type Thing } from './state';

/** Whether two things are the same application, or the same document. */
export const sameThing = (a: Thing | null, b: Thing | null): boolean =>
  a === b ||
  (typeof a === 'object' && typeof b === 'object' && a !== null && b !== null && a.document === b.document);

/** What stands at a digit; null if its place is empty. */
export const thingAt = ({ places }: PlacesState, digit: Digit): Thing | null =>
  places[DIGITS.indexOf(digit)] ?? null;

/** The digit that something stands at; null if it has no place. */
export function digitOf({ places }: PlacesState, thing: Thing): Digit | null {
  return DIGITS[places.findIndex((one) => sameThing(one, thing))] ?? null;
}

/** The first place at which nothing stands; null if all are taken. */
export const emptyDigit = ({ places }: PlacesState): Digit | null => DIGITS[places.indexOf(null)] ?? null;

/**
 * The places with `thing` at `digit`. What stood there goes to where `thing` came from, else to the first empty place,
 * else out: two keys change their meaning at most, and nobody else's.
 * @example putAt(['a', 'b', null], 'b', '1') // ['b', 'a', null]
 * @example putAt(['a', 'b', null], 'c', '2') // ['a', 'c', 'b']
 */
export function putAt(places: Places, thing: Thing, digit: Digit): Places {
  const to = DIGITS.indexOf(digit);
  const displaced = places[to] ?? null;
  const without = places.map((one) => (sameThing(one, thing) ? null : one));
  const from = places.findIndex((one) => sameThing(one, thing));
  const next = without.with(to, thing);
  const room = from === -1 ? next.indexOf(null) : from;
  return displaced === null || room === -1 || room === to ? next : next.with(room, displaced);
}
