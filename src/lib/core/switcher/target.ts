import type { Action } from '../keys/key-map';
import type { Wish } from '../session/commands';
import type { ApplicationId, Session, WindowId } from '../session/session';
import { windowOf } from '../session/views';
import { highlightedLeaf, unfoldedRow, type Switcher } from './switcher';

/** What the keys act on: the highlight of the open switcher, or else the front window. */
export interface Target {
  readonly application: ApplicationId;
  /** Null for an application without windows. */
  readonly window: WindowId | null;
}

/** What the keys act on now; null while that is nothing. */
export function targetOf(switcher: Switcher | null, session: Session): Target | null {
  if (!switcher) {
    const { front } = session;
    return front === null ? null : { application: windowOf(session, front).application, window: front };
  }
  const row = unfoldedRow(switcher);
  return row ? { application: row.application, window: highlightedLeaf(switcher, session) } : null;
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
