/** Tabs: one level below windows, and never mixed with them. */
import { Refused, type Course } from '../../host/course';
import { aStepAside } from '../../layout/cascade';
import type { DocumentId, TabId, WindowId } from '../../model/ids';
import { MOST_TABS } from '../../model/limits';
import { has } from '../../model/table';
import { canOpen, documentOf } from '../../slices/documents/selectors';
import { draftedDocuments, hasDraft, isDraftLeft } from '../../slices/drafts/selectors';
import { hasTabsOfItsOwn, isAsking, windowOf } from '../../slices/windows/selectors';
import type { AppWindow, Tab } from '../../slices/windows/state';
import { commandKind } from '../command';

/** The tab of a window. @throws Refused if the window has none with that id. */
export function tabOf(course: Course, window: WindowId, id: TabId): Tab {
  const tab = windowOf(course.session, window).tabs.find((one) => one.id === id);
  if (!tab) throw new Refused({ field: 'tab', detail: `Window '${window}' has no tab '${id}'.` });
  return tab;
}

/** A tab says what it shows now. Refused for a tab that the window does not have. */
export const retitleTab = commandKind({
  type: 'retitle-tab',
  fields: { window: 'window', tab: 'tab', title: 'title' },
  grows: true,
  decide(course, { window, tab: id, title }) {
    if (tabOf(course, window, id).title !== title)
      course.happen({ type: 'tab-retitled', window, tab: id, title });
  },
});

/** Shows a tab of a window, wherever that is, or in front. */
export const goToTab = commandKind({
  type: 'go-to-tab',
  fields: { window: 'window', tab: 'tab', inFront: 'flag' },
  decide(course, { window, tab, inFront }) {
    const { id } = tabOf(course, window, tab);
    const shown = windowOf(course.session, window).activeTab === id;
    if (shown && !(inFront && course.session.front !== window))
      return course.alreadySo({ type: 'already-there' });
    activate(course, window, id);
    if (inFront) course.bringToFront(window);
  },
});

/** One more tab beside the one that is shown, on a document that the application opens. A draft that was left is taken up there. */
export const openTab = commandKind({
  type: 'open-tab',
  fields: { window: 'window', document: 'document' },
  grows: true,
  unforeseen: true,
  decide(course, { window: id, document }) {
    const window = windowOf(course.session, id);
    if (!hasTabsOfItsOwn(course.session, window)) return course.notice({ type: 'host-cannot' });
    const opened = documentOf(course.session, document);
    if (!canOpen(course.session, window.application, opened))
      return course.notice({ type: 'cannot-open', application: window.application });
    const { title } = opened;
    const tab = `t-${course.id}`;
    if (window.tabs.some((one) => one.id === tab)) return course.bringToFront(id);
    if (window.tabs.length >= MOST_TABS) return course.notice({ type: 'too-many-tabs' });
    const at = window.tabs.findIndex((one) => one.id === window.activeTab) + 1;
    course.happen({ type: 'tab-opened', window: id, tab: { id: tab, title, document }, at });
    activate(course, id, tab);
    course.bringToFront(id);
  },
});

/** Closes a tab without asking, and keeps it so that it can be reopened. */
export function shutTab(
  course: Course,
  window: WindowId,
  tab: TabId,
  discarded: readonly DocumentId[] = [],
): void {
  course.happen({ type: 'tab-closed', window, tab, discarded, entry: course.newEntry() });
}

/** A tab comes back into its window where it stood, or into a new one where that is gone. */
export function reopenTab(course: Course, { id, window: before }: { id: TabId; window: AppWindow }): void {
  const at = before.tabs.findIndex((tab) => tab.id === id);
  const tab = before.tabs[at];
  if (!tab) return;
  if (has(course.session.windows, before.id)) {
    const { tabs } = windowOf(course.session, before.id);
    if (!tabs.some((one) => one.id === id))
      course.happen({ type: 'tab-opened', window: before.id, tab, at: Math.min(at, tabs.length) });
    activate(course, before.id, id);
    return course.bringToFront(before.id);
  }
  const made = course.newWindow(before.application);
  const { session } = course;
  const workspace = has(session.workspaces, before.workspace) ? before.workspace : session.workspace;
  const window: AppWindow = {
    ...before,
    id: made.window,
    workspace,
    tabs: [tab],
    activeTab: id,
    offeringDraft: isDraftLeft(session, tab.document),
  };
  if (!made.there) course.happen({ type: 'windows-opened', windows: [window] });
  course.bringToFront(made.window);
}

/** A tab becomes a window of its own, a step beside the one that it leaves. */
export const tearOff = commandKind({
  type: 'tear-off',
  fields: { window: 'window', tab: 'tab' },
  grows: true,
  unforeseen: true,
  decide(course, { window: id, tab: tabId }) {
    const window = windowOf(course.session, id);
    const made = course.newWindow(window.application);
    if (made.there) return course.bringToFront(made.window);
    const tab = tabOf(course, id, tabId);
    if (window.tabs.length === 1) return course.notice({ type: 'only-tab' });
    if (isAsking(window)) return course.notice({ type: 'already-asking', application: window.application });
    course.happen({ type: 'tab-left', window: id, tab: tabId });
    const torn: AppWindow = {
      ...window,
      id: made.window,
      geometry: aStepAside(window.geometry),
      minimised: false,
      tabs: [tab],
      activeTab: tab.id,
      seen: false,
      offeringDraft: window.offeringDraft && hasDraft(course.session, tab.document),
    };
    const { part: _part, ...free } = torn;
    course.happen({ type: 'windows-opened', windows: [free] });
    course.bringToFront(made.window);
  },
});

/** The tabs of a window go to another one of its application, and with them it is gone. */
export const join = commandKind({
  type: 'join',
  fields: { window: 'window', into: 'window' },
  grows: true,
  unforeseen: true,
  decide(course, { window: id, into }) {
    const window = windowOf(course.session, id);
    const other = windowOf(course.session, into);
    const { application } = window;
    if (!hasTabsOfItsOwn(course.session, window)) return course.notice({ type: 'host-cannot' });
    if (id === into || application !== other.application)
      throw new Refused({ field: 'into', detail: `The tabs of '${id}' cannot go to '${into}'.` });
    if (isAsking(window) || isAsking(other)) return course.notice({ type: 'already-asking', application });
    const offering = [window, other].find((one) => one.offeringDraft);
    const [document] = offering ? draftedDocuments(course.session, offering) : [];
    if (document !== undefined) return course.notice({ type: 'draft-waits', document });
    if (window.tabs.length + other.tabs.length > MOST_TABS) return course.notice({ type: 'too-many-tabs' });
    const tabs = renamed(window.tabs, other.tabs);
    const shown = tabs[window.tabs.findIndex((tab) => tab.id === window.activeTab)];
    course.happen({ type: 'window-joined', window: id, into, tabs });
    if (shown) activate(course, into, shown.id);
    course.bringToFront(into);
  },
});

/** Where in the bar a tab stands: so many come before it. */
export const carryTab = commandKind({
  type: 'carry-tab',
  fields: { window: 'window', tab: 'tab', position: 'count' },
  decide(course, { window: id, tab, position }) {
    const { tabs } = windowOf(course.session, id);
    const to = Math.min(position, tabs.length - 1);
    if (tabs.indexOf(tabOf(course, id, tab)) === to) return course.alreadySo({ type: 'already-there' });
    course.happen({ type: 'tab-carried', window: id, tab, at: to });
  },
});

/** Shows a tab of a window, unless it does. */
export function activate(course: Course, window: WindowId, tab: TabId): void {
  if (windowOf(course.session, window).activeTab !== tab)
    course.happen({ type: 'tab-activated', window, tab });
}

/** Tabs that come to others: one whose id is another's there gets one of its own. */
function renamed(coming: readonly Tab[], there: readonly Tab[]): Tab[] {
  const taken = new Set(there.map(({ id }) => id));
  return coming.map((tab) => {
    let { id } = tab;
    for (let n = 2; taken.has(id); n += 1) id = `${tab.id}-${n}`;
    taken.add(id);
    return { ...tab, id };
  });
}
