/** What the put-away and ending keys wish for, and of what. */
import type { Action } from '../keys/key-map';
import type { Wish } from '../session/commands';
import type { ApplicationId, Session, WindowId } from '../session/session';
import { windowOf } from '../session/views';

/** What the keys act on. */
export interface Target {
  readonly application: ApplicationId;
  /** Null for an application without windows. */
  readonly window: WindowId | null;
}

/** The front window as a target; null when nothing is in front. */
export function frontTarget(session: Session): Target | null {
  const { front } = session;
  return front === null ? null : { application: windowOf(session, front).application, window: front };
}

/** What an action wishes for its target; null if it has nothing to act on. */
export function wishFor(action: Action, target: Target | null): Wish | null {
  switch (action) {
    case 'put-back':
    case 'sweep':
    case 'reopen':
      return { type: action };
    case 'minimise':
    case 'close':
      return target?.window ? { type: action, window: target.window } : null;
    default:
      return target && { type: action, application: target.application };
  }
}
