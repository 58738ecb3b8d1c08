import { find, has } from '../../model/table';
import { samePlacement } from '../../placing/placement';
import type { ApplicationsState } from '../applications/state';
import type { WindowsState } from '../windows/state';
import type { WorkspacesState } from '../workspaces/state';
import type { PutAway, PutAwayState } from './state';

/** Whether an entry still has something to put back: it may have been undone by other means, or have ended. */
export function isAway(session: Seen, { kind, windows, applications, workspace }: PutAway): boolean {
  if (workspace) return !has(session.workspaces, workspace.workspace.id);
  if (kind === 'pair')
    return windows.some((before) => {
      const now = find(session.windows, before.window);
      return now !== undefined && !samePlacement(now, before);
    });
  return (
    windows.some(({ window }) => find(session.windows, window)?.minimised) ||
    applications.some(({ application, hidden }) => !hidden && find(session.applications, application)?.hidden)
  );
}

type Seen = WindowsState & ApplicationsState & WorkspacesState;

/** The newest putting-away that still has something to put back; null if there is none. */
export const newestPutAway = (session: PutAwayState & Seen): PutAway | null =>
  session.putAways.findLast((entry) => isAway(session, entry)) ?? null;
