import { find } from '../../model/table';
import type { ApplicationsState } from '../applications/state';
import type { WindowsState } from '../windows/state';
import type { PutAway, PutAwayState } from './state';

/** Whether an entry still has something to put back: it may have been undone by other means, or have ended. */
export const isAway = (session: WindowsState & ApplicationsState, entry: PutAway): boolean =>
  entry.windows.some(({ window }) => find(session.windows, window)?.minimised) ||
  entry.applications.some(
    ({ application, hidden }) => !hidden && find(session.applications, application)?.hidden,
  );

/** The newest putting-away that still has something to put back; null if there is none. */
export const newestPutAway = (session: PutAwayState & WindowsState & ApplicationsState): PutAway | null =>
  session.putAways.findLast((entry) => isAway(session, entry)) ?? null;
