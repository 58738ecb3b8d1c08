/** How things stand with a window or an application, said before the choice (need N5). */
import type { ApplicationId, WindowId } from '../model/ids';
import type { Session } from '../session/session';
import type { AppWindow } from '../slices/windows/state';
import { applicationOf } from '../slices/applications/selectors';
import { activeTab, isAsking, titleOf, windowOf } from '../slices/windows/selectors';
import { isUnsaved } from '../slices/drafts/selectors';
import { workspaceName } from '../slices/workspaces/selectors';

/** Something about how a window or an application stands. */
export type Standing =
  | { readonly type: 'hidden' }
  | { readonly type: 'no-windows' }
  | { readonly type: 'not-answering' }
  | { readonly type: 'quitting' }
  | { readonly type: 'asking'; readonly titles: readonly string[] }
  | { readonly type: 'unsaved'; readonly titles: readonly string[] }
  | { readonly type: 'minimised'; readonly titles: readonly string[]; readonly all: boolean }
  | { readonly type: 'elsewhere'; readonly workspaces: readonly string[]; readonly all: boolean }
  | { readonly type: 'offering-draft' }
  | { readonly type: 'new' };

/** How an application stands; an empty list when all its windows lie open on this workspace. */
export function standingOfApplication(
  session: Session,
  id: ApplicationId,
  windowIds: readonly WindowId[],
): Standing[] {
  const application = applicationOf(session, id);
  const windows = windowIds.map((window) => windowOf(session, window));
  const titles = (of: (window: AppWindow) => boolean) => windows.filter(of).map(titleOf);
  const standing: Standing[] = [];

  if (!application.answering) standing.push({ type: 'not-answering' });
  const asking = titles(isAsking);
  if (asking.length > 0) standing.push({ type: 'asking', titles: asking });
  else if (application.quitting) standing.push({ type: 'quitting' });
  if (application.hidden) standing.push({ type: 'hidden' });
  if (windows.length === 0) standing.push({ type: 'no-windows' });

  const unsaved = titles((window) => isUnsaved(session, window) && window.asking === null);
  if (unsaved.length > 0) standing.push({ type: 'unsaved', titles: unsaved });
  const minimised = titles((window) => window.minimised);
  if (minimised.length > 0)
    standing.push({ type: 'minimised', titles: minimised, all: minimised.length === windows.length });
  const elsewhere = windows.filter((window) => window.workspace !== session.workspace);
  if (elsewhere.length > 0)
    standing.push({
      type: 'elsewhere',
      workspaces: [...new Set(elsewhere.map((window) => workspaceName(session, window.workspace)))],
      all: elsewhere.length === windows.length,
    });
  return standing;
}

/** How a window stands where its application's row is not at hand, which would say that it is hidden. */
export function standingOfLoneWindow(session: Session, id: WindowId): Standing[] {
  const { hidden } = applicationOf(session, windowOf(session, id).application);
  return [...(hidden ? [{ type: 'hidden' } as const] : []), ...standingOfWindow(session, id)];
}

/** How a window stands within its application's row. */
export function standingOfWindow(session: Session, id: WindowId): Standing[] {
  const window = windowOf(session, id);
  const titles = [titleOf(window)];
  const standing: Standing[] = [];
  if (activeTab(window).hung) standing.push({ type: 'not-answering' });
  if (isAsking(window)) standing.push({ type: 'asking', titles });
  else if (isUnsaved(session, window)) standing.push({ type: 'unsaved', titles });
  if (window.offeringDraft) standing.push({ type: 'offering-draft' });
  if (window.minimised) standing.push({ type: 'minimised', titles, all: true });
  if (window.workspace !== session.workspace)
    standing.push({ type: 'elsewhere', workspaces: [workspaceName(session, window.workspace)], all: true });
  if (!window.seen) standing.push({ type: 'new' });
  return standing;
}
