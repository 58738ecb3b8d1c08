/** A pointer that rests at a part of the rim: when that counts. */
import type { RimPart } from '../slices/settings/state';

/** How long it has to rest before anything is done, in milliseconds: longer than passing through takes. */
export const REST_MS = 500;

/** Where the pointer is and since when, in milliseconds of any clock. */
export interface Rest {
  /** Null away from every part that does something. */
  readonly part: RimPart | null;
  readonly since: number;
  /** Whether something was done here already, or a button was down: then nothing more until it has been elsewhere. */
  readonly over: boolean;
}

/** Away from the rim. */
export const AWAY: Rest = { part: null, since: 0, over: false };

/** The rest after the pointer was seen somewhere, with a button down or none. */
export function restAfter(rest: Rest, part: RimPart | null, pressed: boolean, now: number): Rest {
  if (part === null) return AWAY;
  if (rest.part !== part) return { part, since: now, over: pressed };
  return pressed && !rest.over ? { ...rest, over: true } : rest;
}

/** The part whose action is due now, and the rest after that; null while there is none. */
export function dueAt(rest: Rest, now: number): { readonly part: RimPart; readonly rest: Rest } | null {
  if (rest.part === null || rest.over || now - rest.since < REST_MS) return null;
  return { part: rest.part, rest: { ...rest, over: true } };
}
