import type { ApplicationId, WindowId } from '../../model/ids';
import { isAsking, windowOf } from '../windows/selectors';
import type { AppWindow, WindowsState } from '../windows/state';
import type { RecencyState } from './state';

/**
 * The windows of an application, most recently used first.
 * @example windowsOf(sessionOf('a: a1 a2 | b: b1'), 'a').map(({ id }) => id) // ['a1', 'a2']
 */
export function windowsOf(session: RecencyState & WindowsState, application: ApplicationId): AppWindow[] {
  const windows: AppWindow[] = [];
  for (const { id } of session.recent.windows) {
    const window = windowOf(session, id);
    if (window.application === application) windows.push(window);
  }
  return windows;
}

/** The windows of every running application, most recently used first, in one pass over the order. */
export function windowsByApplication(session: RecencyState & WindowsState): Map<ApplicationId, WindowId[]> {
  const byApplication = new Map<ApplicationId, WindowId[]>(
    session.recent.applications.map(({ id }) => [id, []]),
  );
  for (const { id } of session.recent.windows) byApplication.get(windowOf(session, id).application)?.push(id);
  return byApplication;
}

/** The windows that ask about unsaved work and wait for an answer, most recently used first. */
export const askingWindows = (session: RecencyState & WindowsState): AppWindow[] =>
  session.recent.windows.map(({ id }) => windowOf(session, id)).filter(isAsking);
