/** What an action acts on: never guessed by the action, always handed to it. */
import type { ApplicationId, WindowId } from '../model/ids';
import type { Session } from '../session/session';
import { windowsOf } from '../slices/recency/selectors';
import { windowOf, windowToChoose } from '../slices/windows/selectors';

/** What an action acts on. A window is null where the application has none. */
export interface Target {
  readonly application: ApplicationId;
  /** Null for an application without windows. */
  readonly window: WindowId | null;
}

/** What an action needs of its target. */
export type TargetKind = 'nothing' | 'application' | 'window';
/** What an action is given, by what it says that it acts on. */
export interface TargetTypes {
  readonly nothing: Target | null;
  readonly application: Target;
  readonly window: { readonly application: ApplicationId; readonly window: WindowId };
}

/** A window as a target. */
export const windowTarget = (session: Session, window: WindowId): TargetTypes['window'] => ({
  application: windowOf(session, window).application,
  window,
});

/** An application as a target, with the window that it would come forward with. */
export function applicationTarget(session: Session, application: ApplicationId): Target {
  const windows = windowsOf(session, application).map(({ id }) => id);
  return { application, window: windowToChoose(session, windows) };
}

/** The front window as a target; null when nothing is in front. */
export const frontTarget = (session: Session): Target | null =>
  session.front === null ? null : windowTarget(session, session.front);

/** A target as an action of that kind needs it; undefined if there is nothing of the kind. */
export function targetFor<Kind extends TargetKind>(
  kind: Kind,
  target: Target | null,
): TargetTypes[Kind] | undefined {
  const there = kind === 'nothing' || (kind === 'window' ? target?.window : target);
  return there ? (target as TargetTypes[Kind]) : undefined;
}
