import type { Session } from '../session/session';
import { windowOf, windowsOf, windowToChoose } from '../session/views';
import { frontTarget, type Target } from './acting';
import { highlightedLeaf, highlightedResult, unfoldedRow, type Switcher } from './switcher';

/** What the keys act on now: the highlight of the open switcher, or else the front window; null if there is none. */
export function targetOf(switcher: Switcher | null, session: Session): Target | null {
  if (!switcher) return frontTarget(session);
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
