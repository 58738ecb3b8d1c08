import type { Action } from '../keys/key-map';
import type { Wish } from '../session/commands';
import type { ApplicationId, Session, WindowId } from '../session/session';
import { windowOf, windowsOf, windowToChoose } from '../session/views';
import { highlightedLeaf, highlightedResult, unfoldedRow, type Switcher } from './switcher';

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
  if (switcher.search) return targetOfResult(switcher, session);
  const row = unfoldedRow(switcher);
  return row ? { application: row.application, window: highlightedLeaf(switcher, session) } : null;
}

function targetOfResult(switcher: Switcher, session: Session): Target | null {
  const wish = highlightedResult(switcher)?.candidate.wish;
  if (wish?.type === 'bring-to-front')
    return { application: windowOf(session, wish.window).application, window: wish.window };
  if (wish?.type !== 'switch-to-application') return null;
  const windows = windowsOf(session, wish.application).map(({ id }) => id);
  return { application: wish.application, window: windowToChoose(session, windows) };
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
