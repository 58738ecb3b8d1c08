import type { DocumentId, WindowId } from '../../model/ids';
import { get } from '../../model/table';
import type { HostState } from '../host/state';
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

/**
 * The tabs of a window by recent use, as far as that is known: the one that it shows first, then those of which a live host
 * has told, then the others in the order of the bar.
 */
export function tabsByUse({ tabs, activeTab: shown, recentTabs = [] }: AppWindow): Tab[] {
  const rank = new Map([shown, ...recentTabs.filter((id) => id !== shown)].map((id, nth) => [id, nth]));
  const rankOf = ({ id }: Tab) => rank.get(id) ?? rank.size;
  return tabs.toSorted((a, b) => rankOf(a) - rankOf(b));
}

/** Whether something can be wished of a window's tabs: of those of a live host's only where it tells of them. */
export const hasTabsOfItsOwn = (session: WindowsState & HostState, window: AppWindow): boolean =>
  session.host.kind === 'simulated' || window.recentTabs !== undefined;

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
