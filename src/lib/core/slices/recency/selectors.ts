import type { ApplicationId, WindowId } from '../../model/ids';
import { isAsking, windowOf } from '../windows/selectors';
import type { AppWindow, WindowsState } from '../windows/state';
import { backTo, type Order } from '../../model/order';
import type { FrontState } from '../front/state';
import type { Pass, RecencyState } from './state';

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

/**
 * The order of the windows once a passing counts as no use; the same one if it is so already. The window that is in front
 * now stays at the head, unless it is the one that was passed.
 */
export function passedOver({ front, recent }: RecencyState & FrontState, { window, at, after }: Pass): Order {
  const next = backTo(recent.windows, { id: window, at }, after, front === window ? null : front);
  return next.every(({ id, at }, n) => id === recent.windows[n]?.id && at === recent.windows[n].at)
    ? recent.windows
    : next;
}

/** The windows that ask about unsaved work and wait for an answer, most recently used first. */
export const askingWindows = (session: RecencyState & WindowsState): AppWindow[] =>
  session.recent.windows.map(({ id }) => windowOf(session, id)).filter(isAsking);
