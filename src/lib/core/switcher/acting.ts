/** What the put-away and ending keys wish for, and of what. */
import type { Action } from '../keys/key-map';
import type { Wish } from '../commands/commands';
import type { ApplicationId, WindowId } from '../model/ids';
import type { Session } from '../session/session';
import { sweptEntry } from '../commands/kinds/putting-away';
import { applicationOf } from '../slices/applications/selectors';
import { newestPutAway } from '../slices/put-away/selectors';
import { windowOf } from '../slices/windows/selectors';

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
export function wishFor(session: Session, action: Action, target: Target | null): Wish | null {
  switch (action) {
    case 'put-back': {
      const entry = newestPutAway(session)?.id ?? null;
      return { type: action, entry };
    }
    case 'sweep': {
      const entry = sweptEntry(session);
      return entry === null ? { type: 'sweep' } : { type: 'put-back', entry };
    }
    case 'reopen':
      return { type: action, entry: session.ended.at(-1)?.id ?? null };
    case 'hide-or-show':
      return (
        target && {
          type: applicationOf(session, target.application).hidden ? 'show' : 'hide',
          application: target.application,
        }
      );
    case 'minimise':
    case 'close':
      return target?.window ? { type: action, window: target.window } : null;
    default:
      return target && { type: action, application: target.application };
  }
}
