/**
 * The session: everything Key Fold knows of applications and windows at one moment, as a plain serialisable value. It is what all
 * slices make together, changes only through {@link reduce}, and is never mutated in place. A new slice is a line here.
 */
import type { WindowId } from '../model/ids';
import { find } from '../model/table';
import { applications } from '../slices/applications/slice';
import { compose, type EventOf, type SessionOf } from '../slices/compose';
import { documents } from '../slices/documents/slice';
import { drafts } from '../slices/drafts/slice';
import { ended } from '../slices/ended/slice';
import { frontApplication } from '../slices/front/selectors';
import { front } from '../slices/front/slice';
import { host } from '../slices/host/slice';
import { learning } from '../slices/learning/slice';
import { places } from '../slices/places/slice';
import { putAway } from '../slices/put-away/slice';
import { recency } from '../slices/recency/slice';
import { shortcuts } from '../slices/shortcuts/slice';
import { settings } from '../slices/settings/slice';
import { setup } from '../slices/setup/slice';
import { unless, type SessionProblem } from '../slices/slice';
import { underWay } from '../slices/under-way/slice';
import { windowOf } from '../slices/windows/selectors';
import { windows } from '../slices/windows/slice';
import { workspaces } from '../slices/workspaces/slice';

/** The parts of a session. Their order means nothing. */
export const SLICES = [
  settings,
  workspaces,
  places,
  applications,
  documents,
  drafts,
  windows,
  recency,
  front,
  putAway,
  ended,
  learning,
  shortcuts,
  setup,
  host,
  underWay,
] as const;

/** Everything at one moment, as plain JSON. */
export interface Session extends SessionOf<typeof SLICES> {}

/** What happened. A host says it, {@link reduce} applies it, the store keeps it for good. */
export type SessionEvent = EventOf<typeof SLICES>;

const composed = compose(SLICES);
/**
 * An empty session; whether a window can be seen; whose fact an event is; what must happen so that a
 * window is seen.
 */
export const { empty: EMPTY_SESSION, isVisible, ownership, uncovering } = composed;

/**
 * The session after `event`. First every slice, each on the session before; then, on what they made, the one rule that
 * concerns them all: what is gone or cannot be seen is not in front. A host then says what comes forward.
 * Parts that did not change keep their identity, so a view can tell by `===`.
 * @throws RangeError if the event names something that the session does not have.
 * @example
 * reduce(sessionOf('a: a1 | b: b1'), { type: 'window-fronted', window: 'b1', at: '2026-11-24T06:00:01.000Z' }).stacking
 *   // ['a1', 'b1']
 */
export function reduce(session: Session, event: SessionEvent): Session {
  const after = composed.reduce(session, event);
  return after.front === null || isSeen(after, after.front) ? after : { ...after, front: null };
}

/** The session after all `events`, in order. */
export const reduceAll = (session: Session, events: readonly SessionEvent[]): Session =>
  events.reduce(reduce, session);

/** Whether a window is there and can be seen. */
export function isSeen(session: Session, id: WindowId): boolean {
  const window = find(session.windows, id);
  return window !== undefined && isVisible(session, window);
}

/** The next front window when the present one goes away (switching rule 4); null if nothing is visible. */
export const nextFront = (session: Session): WindowId | null =>
  session.recent.windows.find(({ id }) => isVisible(session, windowOf(session, id)))?.id ?? null;

/** Everything that is wrong with a session; an empty list for a valid one. */
export function problemsOf(session: Session): SessionProblem[] {
  const problems = composed.problems(session);
  return problems.length > 0 ? problems : problemsOfFront(session);
}

/** How the front window fits to the orders and the pile; only said of a session that is whole otherwise. */
function problemsOfFront(session: Session): SessionProblem[] {
  const { front, recent, stacking } = session;
  if (front === null) return [];
  const at = ['front'];
  if (!isSeen(session, front)) return unless(false, at, 'must be a window that can be seen');
  const application = frontApplication(session);
  return [
    ...unless(recent.windows[0]?.id === front, at, 'must head recent.windows'),
    ...unless(
      recent.applications[0]?.id === application,
      at,
      'its application must head recent.applications',
    ),
    ...unless(stacking.at(-1) === front, at, 'must lie on top of the stacking'),
  ];
}
