import type { Wish } from '../commands/commands';
import type { WindowId } from '../model/ids';
import { isVisible, type Session } from '../session/session';
import type { Shortcut } from '../slices/shortcuts/state';
import { windowOf } from '../slices/windows/selectors';

/**
 * What a further press of a shortcut does once one of its windows is in front, where it does not go on to the next: it shows the
 * next tab, hides them, or goes back to where one was. Null where there is nothing to go on or back to.
 */
export function awayFrom(
  session: Session,
  { aim, further }: Pick<Shortcut, 'aim' | 'further'>,
  windows: readonly WindowId[],
): Wish | null {
  const { front } = session;
  if (further === 'next-tab') {
    if (front === null) return null;
    const { tabs, activeTab } = windowOf(session, front);
    const next = tabs[(tabs.findIndex(({ id }) => id === activeTab) + 1) % tabs.length];
    if (!next || tabs.length === 1) return null;
    return { type: 'go-to-tab', window: front, tab: next.id, inFront: false };
  }
  if (further === 'hide') {
    const whole = 'application' in aim && aim.title === null;
    if (whole) return { type: 'hide', application: aim.application };
    return front === null ? null : { type: 'minimise', window: front };
  }
  const back = session.recent.windows.find(
    ({ id }) => !windows.includes(id) && isVisible(session, windowOf(session, id)),
  );
  return back ? { type: 'bring-to-front', window: back.id, raiseAll: false } : null;
}
