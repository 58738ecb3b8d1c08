/** Makes one session, one union of events and one `reduce` of a list of slices. */
import type { EventsOf, Ownership, SessionProblem, Slice } from './slice';
import type { AppWindow } from './windows/state';

/** A slice of whatever fields and events. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- the one place where slices of all kinds meet
export type AnySlice = Slice<any, any, any, any>;

type TypesOf<S> = S extends { readonly types?: infer Types } ? NonNullable<Types> : never;
type Part<S, Name extends 'state' | 'own' | 'heard' | 'reads'> = TypesOf<S>[Name & keyof TypesOf<S>];
type Both<Union> = (Union extends unknown ? (one: Union) => void : never) extends (all: infer All) => void
  ? All
  : never;
type Flat<T> = { [Key in keyof T]: T[Key] };
type KeysOfEach<T> = T extends unknown ? keyof T : never;

/** The session that a list of slices makes. */
export type SessionOf<List extends readonly AnySlice[]> = Flat<Both<Part<List[number], 'state'>>>;
/** Every event that a list of slices declares. */
export type EventOf<List extends readonly AnySlice[]> = EventsOf<Both<Part<List[number], 'own'>>>;

/** Event types that some slice listens to and none declares. */
type Unowned<List extends readonly AnySlice[]> = Exclude<
  KeysOfEach<Part<List[number], 'heard'>>,
  KeysOfEach<Part<List[number], 'own'>>
>;
/** Fields that some slice reads and none owns. */
type Missing<List extends readonly AnySlice[]> = Exclude<
  KeysOfEach<Part<List[number], 'reads'>>,
  KeysOfEach<Part<List[number], 'state'>>
>;
/** What the compiler answers when a list of slices does not fit together. */
export type Fits<List extends readonly AnySlice[]> = [Unowned<List> | Missing<List>] extends [never]
  ? unknown
  : {
      readonly 'no slice owns this event': Unowned<List>;
      readonly 'no slice owns this field': Missing<List>;
    };

/** What slices make together. */
export interface Composed<Session, Event> {
  /** A session in which there is nothing. */
  readonly empty: Session;
  /**
   * The session after `event`; parts that did not change keep their identity.
   * @throws RangeError if the event names something that the session does not have.
   */
  readonly reduce: (session: Session, event: Event) => Session;
  /** Whose fact an event is. */
  readonly ownership: (event: Event) => Ownership;
  /** Whether a window can be seen: no slice hides it. */
  readonly isVisible: (session: Session, window: AppWindow) => boolean;
  /** What must happen so that a window can be seen; empty if it can. */
  readonly uncovering: (session: Session, window: AppWindow) => readonly Event[];
  /** Everything that the slices find wrong with a session; empty for a valid one. */
  readonly problems: (session: Session) => SessionProblem[];
}

interface Handler {
  readonly slice: AnySlice;
  readonly handle: (before: object, event: object) => object;
}

/**
 * @throws TypeError if two slices own the same field. Whether events and fields fit together is the compiler's to say:
 * see {@link Fits}.
 */
export function compose<const List extends readonly AnySlice[]>(
  slices: List & Fits<List>,
): Composed<SessionOf<List>, EventOf<List>> {
  type Session = SessionOf<List>;
  type Event = EventOf<List>;
  const list: readonly AnySlice[] = slices;
  const handlers = handlersOf(list);
  const owned = new Map(
    list.flatMap((slice) => Object.entries((slice.own ?? {}) as Record<string, Ownership>)),
  );
  const covers = list.flatMap((slice) => slice.covers ?? []);
  return {
    empty: emptyOf(list) as Session,
    reduce(session, event) {
      const before = session as object;
      let after = before;
      for (const { slice, handle } of handlers.get((event as { type: string }).type) ?? []) {
        const part = handle(before, event);
        if (changes(before, part, slice)) after = { ...after, ...part };
      }
      return after as Session;
    },
    ownership: (event) => owned.get((event as { type: string }).type) ?? 'host',
    isVisible: (session, window) => !covers.some((cover) => cover.hides(session, window)),
    uncovering: (session, window) =>
      covers.flatMap((cover) =>
        cover.hides(session, window) ? (cover.uncover(session, window) as readonly Event[]) : [],
      ),
    problems: (session) => list.flatMap((slice) => slice.problems?.(session) ?? []),
  };
}

function emptyOf(slices: readonly AnySlice[]): Record<string, unknown> {
  const empty: Record<string, unknown> = {};
  for (const { name, initial } of slices)
    for (const [field, value] of Object.entries(initial)) {
      if (field in empty) throw new TypeError(`Two slices own '${field}'; the second is '${name}'.`);
      empty[field] = value;
    }
  return empty;
}

function handlersOf(slices: readonly AnySlice[]): ReadonlyMap<string, readonly Handler[]> {
  const handlers = new Map<string, Handler[]>();
  for (const slice of slices)
    for (const [type, handle] of Object.entries(slice.on))
      handlers.set(type, [...(handlers.get(type) ?? []), { slice, handle: handle as Handler['handle'] }]);
  return handlers;
}

/** Whether a slice changed anything. @throws TypeError if it changed what is not its own. */
function changes(before: object, part: object, slice: AnySlice): boolean {
  let changed = false;
  for (const [field, value] of Object.entries(part)) {
    if (!(field in slice.initial))
      throw new TypeError(`The slice '${slice.name}' changes '${field}', which is not its own.`);
    if ((before as Record<string, unknown>)[field] !== value) changed = true;
  }
  return changed;
}
