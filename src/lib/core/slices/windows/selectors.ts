import type { DocumentId, WindowId } from '../../model/ids';
import { get } from '../../model/table';
import type { AppWindow, Tab, WindowsState } from './state';

/** The window with this id. @throws RangeError if there is none. */
export const windowOf = (session: WindowsState, id: WindowId): AppWindow =>
  get(session.windows, id, 'window');

/** The tab a window shows. */
export function activeTab(window: AppWindow): Tab {
  const tab = window.tabs.find((candidate) => candidate.id === window.activeTab);
  if (!tab) throw new RangeError(`Window '${window.id}' has no tab '${window.activeTab}'.`);
  return tab;
}

/** A window's title is the title of the tab it shows. */
export const titleOf = (window: AppWindow): string => activeTab(window).title;

/** Whether a window shows a document in one of its tabs. */
export const shows = (window: AppWindow, document: DocumentId): boolean =>
  window.tabs.some((tab) => tab.document === document);

/** Whether a window asks about unsaved work and waits for the answer. */
export const isAsking = ({ asking }: AppWindow): boolean => asking !== null && !asking.dropping;

/** Whether a window was told to discard its unsaved work once its application quits. */
export const isDropping = ({ asking }: AppWindow): boolean => asking?.dropping === true;

/**
 * The window that an application comes forward with (switching rule 10): of its windows, most recent first, the first
 * one that is not minimised, else the first one; null if there are none.
 * @example windowToChoose(sessionOf('a: a1- a2 a3'), ['a1', 'a2', 'a3']) // 'a2'
 */
export const windowToChoose = (session: WindowsState, windows: readonly WindowId[]): WindowId | null =>
  windows.find((id) => !windowOf(session, id).minimised) ?? windows[0] ?? null;

/** A window as it comes back when it is reopened: without the question that was open in it. */
export const withoutQuestion = (window: AppWindow): AppWindow =>
  window.asking === null ? window : { ...window, asking: null };
