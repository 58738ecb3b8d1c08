/**
 * A slice is one part of the session: the fields it owns, the events it declares, and what it makes of its own events
 * and of those of others.
 *
 * The rule that makes slices independent of each other: **every handler sees the session as it was before the event**
 * and gives back fields of its own only. No slice sees what another has just done, so their order means nothing.
 *
 * A slice may import another's `events`, `state` and `selectors`, never its `slice`; and never what is made of slices.
 * `npm test` sees to that.
 */
import type { AppWindow } from './windows/state';

/** Event types and their payloads, e.g. `{ 'workspace-entered': { workspace: WorkspaceId } }`. */
export type EventMap = object;

/** The union of events that a map describes. */
export type EventsOf<Map> = {
  [Type in keyof Map & string]: { readonly type: Type } & Readonly<Map[Type]>;
}[keyof Map & string];

/**
 * Whose facts a slice's events are. The host's, if nothing is said: a live host tells them. Key Fold's own are written
 * down when a batch is taken, or, where they say that something has come true, when it is settled.
 */
export type Ownership = 'host' | 'when-taken' | 'when-settled';

/** Something that is wrong with a session. */
export interface SessionProblem {
  /** Where: a property of the session, then the id of an entry, then a property of that. */
  readonly path: readonly string[];
  readonly detail: string;
}

/** A slice of the session: its fields, its events, and what it makes of them. */
export interface Slice<
  State extends object,
  Own extends EventMap,
  Heard extends EventMap,
  Reads extends object,
> {
  readonly name: string;
  /** Its fields in an empty session; also what a stored session gets that does not have them yet. */
  readonly initial: State;
  /** Its events that are no host's to tell. */
  readonly own?: { readonly [Type in keyof Own]?: Exclude<Ownership, 'host'> };
  /** One handler for each of its own events, and for each foreign one that it listens to. */
  readonly on: {
    readonly [Type in keyof (Own & Heard)]: (
      before: State & Reads,
      event: Readonly<(Own & Heard)[Type]>,
    ) => Partial<State>;
  };
  /**
   * How it may keep a window from being seen, and which of its events end that. What can be seen is what no slice
   * hides; so a slice that adds a way to be out of sight adds it here and nowhere else.
   */
  readonly covers?: {
    hides(session: State & Reads, window: AppWindow): boolean;
    uncover(session: State & Reads, window: AppWindow): readonly EventsOf<Own>[];
  };
  /** What is wrong with its fields; an empty list if nothing is. */
  problems?(session: State & Reads): readonly SessionProblem[];
  /** For the compiler only: what {@link Slice} was made of. */
  readonly types?: {
    readonly state: State;
    readonly own: Own;
    readonly heard: Heard;
    readonly reads: Reads;
  };
}

/** A list of one problem, or of none if it `holds`. */
export const unless = (holds: boolean, path: readonly string[], detail: string): SessionProblem[] =>
  holds ? [] : [{ path, detail }];
